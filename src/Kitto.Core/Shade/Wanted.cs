using Kitto.Core.Developer;
using Kitto.Core.Head;

namespace Kitto.Core.Shade;

/// <summary>A formula before its shades are known: where it goes, of which line, at which strength.</summary>
/// <param name="Use">roots, lengths or shadow.</param>
/// <param name="Line">Its line.</param>
/// <param name="Level">Wished level there.</param>
/// <param name="Tone">Wished tone.</param>
/// <param name="Blend">What is weighed for the developer: stocked strengths and their shares.</param>
/// <param name="Ratio">Grams of developer to one gram of colour.</param>
/// <param name="Given">A formula that is given for it.</param>
internal sealed record Wanted(string Use, Line Line, Level Level, Tone Tone, IReadOnlyList<(Volume Volume, double Share)> Blend, double Ratio, GivenFormula? Given)
{
    /// <summary>The strength in the bottle, which is what meets the hair, whatever was wished.</summary>
    public Volume Developer { get; } = Strength.Of(Blend);

    public bool OnLengths => Use == "lengths";

    public string About => OnLengths ? "lengths" : "shade";

    /// <summary>All formulas of a service, the roots' first.</summary>
    public static IReadOnlyList<Wanted> All(Case c, Aim aim, Line line, LengthsWay way, Shelf shelf, ICollection<Because> why)
    {
        var all = new List<Wanted>();
        if (c.Goal.Service != Service.Gloss)
        {
            all.Add(Of(c, c.Goal.Service == Service.RootShadow ? "shadow" : "roots", line, aim.RootLevel, aim.Tone, shelf, why));
            SayGrey(c, line, why);
        }

        if (way == LengthsWay.OwnFormula)
        {
            all.Add(Of(c, "lengths", shelf.ForLengths(c.Goal.Service, line), aim.LengthsLevel, aim.Tone, shelf, why));
        }

        if (c.Formula is { } given && all.All(m => m.Use != given.Use))
        {
            why.Add(new Because("SH1", $"The given formula is for the {given.Use}, which this service does not colour with a formula of their own; it is not used.", "shade"));
        }

        return all;
    }

    private static Wanted Of(Case c, string use, Line line, Level level, Tone tone, Shelf shelf, ICollection<Because> why)
    {
        bool onLengths = use == "lengths";
        double ratio = onLengths && line.LengthsDeveloperPerColour is { } thinner ? thinner : line.DeveloperPerColour;
        var developer = Choice.For(line, onLengths, c.Reading, level, why);
        var given = c.Formula is { } f && f.Use == use ? f : null;
        var asked = given?.Developer ?? developer;
        var wanted = new Wanted(use, line, level, tone, Strength.Blend(asked, line, shelf), ratio, given);
        if (given is not null)
        {
            Shade.Given.Check(given, level, c.Reading, developer, asked, wanted.About, why);
        }

        if (Math.Abs(wanted.Developer.Value - asked.Value) > .01)
        {
            why.Add(new Because("DV8", $"{asked} cannot be blended from what is stocked; {wanted.Developer} is the {(wanted.Developer.Value > asked.Value ? "weakest" : "strongest")} there is.", "developer"));
        }
        else if (wanted.Blend.Count > 1)
        {
            why.Add(new Because("DV8", $"{asked} is weighed from {wanted.Blend[0].Volume} and {wanted.Blend[1].Volume}.", "developer"));
        }

        return wanted;
    }

    private static void SayGrey(Case c, Line line, ICollection<Because> why)
    {
        var grey = c.Reading.DecisiveGrey;
        if (c.Goal.Service is Service.Lighten or Service.BaseLift || grey.Value < Choice.NoGrey)
        {
            return;
        }

        string school = c.House.School("SV7");
        why.Add(new Because("SV7", !line.IsPermanent
            ? c.LineId is null && school == "blend" && c.Goal.Service is Service.RootTouchUp or Service.RootAndRefresh or Service.RootAndGloss
                ? $"The house blends white rather than covering it, so {line.Name} is taken: soft, no hard line, faded in six to eight weeks. It is never promised as full cover."
                : "Demi blends the white softly and fades; it is never promised as full cover."
            : school == "cover" || (school == "byShare" && grey.Value >= .3)
                ? "Permanent colour covers the white; the line shows again after about four weeks."
                : "Little white or a soft wish: a blend in demi would be gentler and leave no hard line; permanent covers it.", "service"));
    }
}
