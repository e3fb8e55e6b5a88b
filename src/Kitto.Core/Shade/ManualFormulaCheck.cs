using Kitto.Core.Trade;

namespace Kitto.Core.Shade;

/// <summary>Checks the strength of a formula that was given; it is weighed out as it is (SH1). What its shades break is said beside the forecast.</summary>
internal static class ManualFormulaCheck
{
    /// <summary>What the rules would say to its strength.</summary>
    public static void Check(GivenFormula formula, Volume wanted, Volume used, Share grey, Topic about, ICollection<Because> why)
    {
        why.Add(
            new Because(
                "SH1",
                formula.HandMade
                    ? "This mix was made by hand; it is forecast, checked against the rules and weighed out as it is."
                    : "This formula was given, so it is weighed out as it is and only checked.",
                about
            )
        );
        if (used.Value < wanted.Value)
        {
            why.Add(new Because(grey.Value >= Values.NoGrey ? "DV11" : "DV3", $"{used} is weaker than the {wanted} this head asks for.", Topic.Attention));
        }
        else if (used.Value > wanted.Value)
        {
            why.Add(new Because("DV2", $"{used} is stronger than the {wanted} this head asks for.", Topic.Attention));
        }
    }
}
