using Kitto.Core.Developer;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;

namespace Kitto.Core.Strand;

/// <summary>A formula before its shades are known: what it is for, of which line, at which strength.</summary>
/// <param name="Use">What it is for.</param>
/// <param name="Line">Its line.</param>
/// <param name="Wish">What the hair it goes on shall become.</param>
/// <param name="Blend">What is weighed for the developer: stocked strengths and their shares.</param>
/// <param name="Ratio">Grams of developer to one gram of colour.</param>
/// <param name="Given">A formula that is given for it.</param>
internal sealed record FormulaPlan(FormulaUse Use, Line Line, Wish Wish, IReadOnlyList<(Volume Volume, double Share)> Blend, double Ratio, GivenFormula? Given)
{
    /// <summary>The strength in the bottle, which is what meets the hair, whatever was wished.</summary>
    public Volume Developer { get; } = Strength.Of(Blend);

    /// <summary>Whether what it makes of the lengths was wished for in so many words, so that it may be deeper than they are (SV14).</summary>
    public bool Asked { get; init; } = true;

    /// <summary>Whether it goes on regrowth by brush: the first formula of a root service, or the second step on it.</summary>
    public bool OnRoots => Use is FormulaUse.Roots or FormulaUse.Shadow or FormulaUse.Second;

    /// <summary>A quick tone: watched, one to three minutes (SV18).</summary>
    public bool Quick { get; init; }

    /// <summary>Whether as much clear goes in as there is of the mix (SV18); a formula that is given has its clear.</summary>
    public bool Dilutes => Quick && Given is null && !Wish.Clear;

    public Topic About => OnRoots ? Topic.Shade : Topic.Lengths;

    /// <summary>Decides the strength and the ratio of a formula.</summary>
    /// <param name="c">The case.</param>
    /// <param name="use">What it is for.</param>
    /// <param name="line">Its line.</param>
    /// <param name="wish">What is wished there.</param>
    /// <param name="state">The hair it goes on.</param>
    /// <param name="shelf">What is stocked.</param>
    /// <param name="why">Reasons are added.</param>
    public static FormulaPlan Of(Case c, FormulaUse use, Line line, Wish wish, HairState state, Shelf shelf, ICollection<Reason> why)
    {
        bool onRoots = use is FormulaUse.Roots or FormulaUse.Shadow or FormulaUse.Second;
        double ratio = !onRoots && line.LengthsDeveloperPerColour is { } thinner ? thinner : line.DeveloperPerColour;
        var developer = Choice.For(line, onRoots && use != FormulaUse.Second, c.Reading, state, wish.Level, why);
        var given = c.Formula is { } f && f.Use == use ? f : null;
        var asked = given?.Developer ?? developer;
        var plan = new FormulaPlan(use, line, wish, Strength.Blend(asked, line, shelf), ratio, given);
        if (given is not null)
        {
            ManualFormulaCheck.Check(given, developer, asked, onRoots ? c.Reading.DecisiveGrey : Share.Of(0), plan.About, why);
        }

        if (Math.Abs(plan.Developer.Value - asked.Value) > .01)
        {
            why.Add(new StrengthNotStocked(asked, plan.Developer));
        }
        else if (plan.Blend.Count > 1)
        {
            why.Add(new StrengthBlended(asked, plan.Blend[0].Volume, plan.Blend[1].Volume));
        }

        return plan;
    }
}
