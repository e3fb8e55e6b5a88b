using Kitto.Core.Head;

namespace Kitto.Core.Shade;

/// <summary>Checks a formula that was given, against the rules; it is weighed out as it is (SH1).</summary>
public static class Given
{
    /// <summary>What the rules would say to it.</summary>
    public static void Check(GivenFormula formula, Level wantedLevel, Reading reading, Volume wanted, Volume used, string about, ICollection<Because> why)
    {
        why.Add(new Because("SH1", formula.HandMade ? "This mix was made by hand; it is forecast, checked against the rules and weighed out as it is." : "This formula was given, so it is weighed out as it is and only checked.", about));
        var grey = about == "lengths" ? Share.Of(0) : reading.DecisiveGrey;
        var rules = new MixRules(grey, wantedLevel, null);
        var sums = MixSums.Of(formula.Parts);
        if (!rules.Covers(sums))
        {
            why.Add(new Because("SH5", $"{grey} white wants {rules.NeutralNeeded * 100:0} % neutral; this has {sums.Neutral * 100:0} %, so white hair may show.", about));
        }

        if (!rules.StaysBrown(sums))
        {
            why.Add(new Because("SH6", sums.Warm > 0
                ? $"There is ash on white hair and only {sums.Warm * 100:0} % red against it: a green or blue cast may show."
                : "There is ash on white hair and no red against it: a green or blue cast may show.", about));
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
