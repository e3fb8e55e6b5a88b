using MathNet.Numerics.Distributions;

namespace Kitto.Core.Quantity;

/// <summary>What the two mistakes of an amount come to: running out, and throwing away.</summary>
/// <param name="Level">Share of such kits that do not run out.</param>
/// <param name="Send">What is sent, residue included.</param>
/// <param name="RunsOut">Chance that it runs out.</param>
/// <param name="Left">Grams left over on average.</param>
/// <param name="Short">Grams missing on average, over all kits.</param>
public sealed record OrderRisk(double Level, Grams Send, Share RunsOut, Grams Left, Grams Short)
{
    /// <summary>The levels a colourist may look at beside her own.</summary>
    public static IReadOnlyList<double> Levels { get; } = [0.80, 0.90, 0.95, 0.98];

    /// <summary>The mistakes of sending an amount, when use is lognormal about what is believed of the hands.</summary>
    /// <param name="reckoned">What a trained hand would use, above 0 g.</param>
    /// <param name="hands">What is believed of the hands.</param>
    /// <param name="residue">What stays on the vessels.</param>
    /// <param name="send">What is sent, more than the residue.</param>
    public static OrderRisk Of(Grams reckoned, HandFactor hands, Grams residue, Grams send)
    {
        double there = send.Value - residue.Value;
        double sd = hands.PredictiveSd;
        double d = (Math.Log(there / reckoned.Value) - hands.Mean) / sd;
        double level = Normal.CDF(0, 1, d);
        double use = reckoned.Value * Math.Exp(hands.Mean + sd * sd / 2);
        double left = Math.Max(0, there * level - use * Normal.CDF(0, 1, d - sd));
        return new OrderRisk(level, send, Share.Of(Math.Clamp(1 - level, 0, 1)), Grams.Of(left), Grams.Of(Math.Max(0, use - there + left)));
    }

    /// <summary>What other settings would have sent, with their mistakes.</summary>
    public static IReadOnlyList<OrderRisk> Instead(Quantities quantity, HandFactor hands) =>
        [
            .. Levels.Select(l =>
                Of(quantity.BaseGrams, hands, quantity.ResidueGrams, Grams.Of(quantity.BaseGrams.Value * hands.Quantile(l) + quantity.ResidueGrams.Value))
            ),
        ];
}
