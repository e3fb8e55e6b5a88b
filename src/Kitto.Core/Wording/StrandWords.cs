using Kitto.Core.Strand;

namespace Kitto.Core.Wording;

/// <summary>Formulas and stretches in words.</summary>
public static class StrandWords
{
    /// <summary>What a formula is called in a sentence.</summary>
    public static string Of(string use) =>
        use switch
        {
            FormulaPlan.Roots => "root mix",
            FormulaPlan.Shadow => "shadow",
            FormulaPlan.Lengths => "gloss",
            FormulaPlan.Band => "second gloss",
            FormulaPlan.Second => "second step",
            _ => use,
        };

    /// <summary>A stretch in a sentence.</summary>
    public static string Of(Stretch stretch) =>
        stretch switch
        {
            Stretch.Scalp => "scalp stretch",
            Stretch.Grown => "grown hair",
            Stretch.Band => "band",
            Stretch.Lengths => "lengths",
            Stretch.Ends => "ends",
            _ => throw new ArgumentOutOfRangeException(nameof(stretch)),
        };

    /// <summary>What is done, in a word or two.</summary>
    public static string Of(Does does) =>
        does switch
        {
            Does.Colour => "coloured",
            Does.Tone => "toned",
            Does.Blend => "feathered over",
            Does.PullThrough => "pulled through",
            Does.Shield => "kept off",
            Does.Leave => "left",
            _ => throw new ArgumentOutOfRangeException(nameof(does)),
        };
}
