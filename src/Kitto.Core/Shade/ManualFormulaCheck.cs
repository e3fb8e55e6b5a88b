using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Shade;

/// <summary>Checks the strength of a formula that was given; it is weighed out as it is (SH1). What its shades break is said beside the forecast.</summary>
internal static class ManualFormulaCheck
{
    /// <summary>What the rules would say to its strength.</summary>
    public static void Check(GivenFormula formula, Volume wanted, Volume used, Share grey, Topic about, ICollection<Reason> why)
    {
        why.Add(new FormulaGiven(about, formula.HandMade));
        if (used.Value < wanted.Value)
        {
            why.Add(new WeakerThanAsked(grey.Value >= Values.NoGrey ? "DV11" : "DV3", used, wanted));
        }
        else if (used.Value > wanted.Value)
        {
            why.Add(new StrongerThanAsked(used, wanted));
        }
    }
}
