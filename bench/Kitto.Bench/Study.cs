using System.Globalization;
using Kitto.Core;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>
/// Ten thousand invented clients with hidden hands, eight kits each, five weeks apart, fixed seed. Each kit is sized by the engine from the reports of the
/// kits before it; the client then uses what her hidden factor and the day make of it and reports what was left, or that it ran out.
/// </summary>
public static class Study
{
    public const int Clients = 10_000;
    public const int KitsEach = 8;
    public const int DaysApart = 35;
    public const double Level = 0.90;

    public static void Run(TextWriter to)
    {
        var random = new Random(20_27);
        double[] ranOut = new double[KitsEach],
            left = new double[KitsEach],
            sent = new double[KitsEach],
            sd = new double[KitsEach];
        for (int client = 0; client < Clients; client++)
        {
            var prior = HandFactor.Prior(Who.Alone);
            double hidden = prior.Mean + prior.Sd * Gauss(random);
            var history = new List<UsedBefore>();
            for (int kit = 0; kit < KitsEach; kit++)
            {
                var reckoned = Grams.Of(35 + 50 * random.NextDouble());
                var aged = history.Select(h => h with { DaysAgo = (kit - history.IndexOf(h)) * DaysApart }).ToList();
                var belief = HandFactor.Learned(new Hands(Who.Alone, kit > 0, aged));
                var size = Sizing.For([reckoned], belief, Level, Thickness.Cream, onePair: false);
                double there = size.Send.Value - size.Residue.Value;
                double used = reckoned.Value * Math.Exp(hidden + HandFactor.WeighedSd * Gauss(random));
                bool short_ = used > there;
                ranOut[kit] += short_ ? 1 : 0;
                left[kit] += Math.Max(0, there - used);
                sent[kit] += size.Send.Value;
                sd[kit] += belief.Sd;
                history.Add(new UsedBefore(reckoned, size.Send, size.Residue, Grams.Of(Math.Max(0, there - used)), short_, true, 0));
            }
        }

        to.WriteLine($"{Clients} clients, {KitsEach} kits each, level {Level.ToString(CultureInfo.InvariantCulture)}, seed 2027");
        to.WriteLine("| kit | ran out % | mean left g | mean sent g | belief sd |");
        to.WriteLine("|---|---|---|---|---|");
        for (int kit = 0; kit < KitsEach; kit++)
        {
            to.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {kit + 1} | {100 * ranOut[kit] / Clients:0.00} | {left[kit] / Clients:0.00} | {sent[kit] / Clients:0.0} | {sd[kit] / Clients:0.000} |"
                )
            );
        }

        double worst = Enumerable.Range(1, KitsEach - 1).Max(k => Math.Abs(100 * ranOut[k] / Clients - 100 * (1 - Level)));
        double saved = 1 - left[^1] / left[0];
        to.WriteLine(string.Create(CultureInfo.InvariantCulture, $"furthest from 1 - q* from the second kit on: {worst:0.00} points (wanted: within 1.5)"));
        to.WriteLine(string.Create(CultureInfo.InvariantCulture, $"left over at kit 8 against kit 1: {100 * saved:0.0} % less (wanted: at least 35 %)"));
    }

    /// <summary>A standard normal deviate (Box and Muller 1958).</summary>
    private static double Gauss(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
