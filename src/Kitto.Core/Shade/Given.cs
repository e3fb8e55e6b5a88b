using Kitto.Core.Head;

namespace Kitto.Core.Shade;

/// <summary>Checks a formula that was given, against the rules; it is weighed out as it is (SH1).</summary>
public static class Given
{
    /// <summary>What the rules would say to it.</summary>
    public static void Check(GivenFormula formula, Line line, Reading reading, Volume wanted, Volume used, string about, ICollection<Because> why)
    {
        why.Add(new Because("SH1", "This formula was given, so it is weighed out as it is and only checked.", about));
        var grey = about == "lengths" ? Share.Of(0) : reading.DecisiveGrey;
        double needed = Proposal.NeutralNeeded(grey);
        double neutral = Proposal.NeutralShare(formula.Parts);
        if (neutral + 1e-6 < needed)
        {
            why.Add(new Because("SH5", $"{grey} white wants {needed * 100:0} % neutral; this has {neutral * 100:0} %, so white hair may show.", about));
        }

        var families = formula.Parts.Select(p => line.Find(p.Shade)?.Family).ToList();
        if (grey.Value >= Proposal.AshShowsFrom && families.Any(f => f is Family.AG or Family.AB) && !families.Any(f => f is Family.R or Family.C))
        {
            why.Add(new Because("SH6", "There is ash on white hair and no red against it: a green or blue cast may show.", about));
        }

        if (used.Value < wanted.Value)
        {
            why.Add(new Because(grey.Value >= .1 ? "DV11" : "DV3", $"{used} is weaker than the {wanted} this head asks for.", "developer"));
        }
        else if (used.Value > wanted.Value)
        {
            why.Add(new Because("DV2", $"{used} is stronger than the {wanted} this head asks for.", "developer"));
        }
    }
}
