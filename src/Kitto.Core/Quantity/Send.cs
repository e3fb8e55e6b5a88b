using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Quantity;

/// <summary>One vessel's worth of mix that is sealed as a pair of colour and developer.</summary>
/// <param name="Name">main, reserve, A or B.</param>
/// <param name="Mix">Grams of mix.</param>
public sealed record Portion(string Name, Grams Mix);

/// <summary>What to send, decided under uncertainty (quantity 4). The quantile is the newsvendor's: Arrow, Harris and Marschak 1951.</summary>
/// <param name="Base">What a trained hand would use.</param>
/// <param name="Use">What these hands are likely to use: the median.</param>
/// <param name="UseLow">Exceeded nine times in ten.</param>
/// <param name="UseHigh">Not exceeded nine times in ten.</param>
/// <param name="Residue">What stays on the vessel, all batches.</param>
/// <param name="Send">What is sent.</param>
/// <param name="Portions">The send amount, split into pairs.</param>
public sealed record Sizing(Grams Base, Grams Use, Grams UseLow, Grams UseHigh, Grams Residue, Grams Send, IReadOnlyList<Portion> Portions)
{
    /// <summary>What stays on bowl and brush, or in a nozzle bottle, g a batch (ours). Cream goes in a bowl, thin mixes in a bottle (BE8).</summary>
    public static Grams ResidueOf(Thickness thickness) => Grams.Of(thickness == Thickness.Cream ? 4 : 8);

    /// <summary>Sizes one formula.</summary>
    /// <param name="batchBases">What a trained hand would use for each batch.</param>
    /// <param name="hands">What is believed of the hands.</param>
    /// <param name="serviceLevel">Share of kits that should not run out.</param>
    /// <param name="thickness">Of the mix.</param>
    /// <param name="onePair">The house sends one pair with everything in it (DO10).</param>
    public static Sizing For(IReadOnlyList<Grams> batchBases, HandFactor hands, double serviceLevel, Thickness thickness, bool onePair)
    {
        double reckoned = batchBases.Sum(b => b.Value);
        double each = ResidueOf(thickness).Value;
        double residue = each * batchBases.Count;
        double send = reckoned * hands.Quantile(serviceLevel) + residue;
        double usual = hands.Quantile(Values.MainQuantile);
        IReadOnlyList<Portion> portions;
        if (batchBases.Count > 1)
        {
            // The reserve is part of the last batch: what the first ones did not need is known by then.
            var early = batchBases.SkipLast(1).Select((b, i) => new Portion(((char)('A' + i)).ToString(), Grams.Of(b.Value * usual + each))).ToList();
            portions = [.. early, new Portion(((char)('A' + early.Count)).ToString(), Grams.Of(send - early.Sum(p => p.Mix.Value)))];
        }
        else if (onePair || send < Values.SplitFromGrams || serviceLevel <= Values.MainQuantile)
        {
            portions = [new Portion(Pair.Main, Grams.Of(send))];
        }
        else
        {
            double main = reckoned * usual + each;
            portions = [new Portion(Pair.Main, Grams.Of(main)), new Portion(Pair.Reserve, Grams.Of(send - main))];
        }

        return new Sizing(
            Grams.Of(reckoned),
            Grams.Of(reckoned * Math.Exp(hands.Mean)),
            Grams.Of(reckoned * hands.Quantile(.1)),
            Grams.Of(reckoned * hands.Quantile(.9)),
            Grams.Of(residue),
            Grams.Of(send),
            portions
        );
    }
}
