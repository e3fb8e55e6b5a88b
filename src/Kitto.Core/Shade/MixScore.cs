using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>Forecasts mixes of a line's shades on one canvas: what each shade deposits in each spot is reckoned once.</summary>
internal sealed class MixScorer
{
    private readonly ApplicationTarget canvas;
    private readonly Colourant[] colourants;
    private readonly Deposits[] onWhite,
        onPigment;
    private readonly int[] order;

    /// <summary>What every shade deposits on one kind of fibre, and the depth it gives a concentrate to go by.</summary>
    private sealed record Deposits(Pigment[] Dye, double[] Feeds);

    public MixScorer(ApplicationTarget canvas, IReadOnlyList<ShadeOf> shades)
    {
        this.canvas = canvas;
        colourants = [.. shades.Select(s => new Colourant(s, canvas.Line, canvas.Developer))];
        var known = new Dictionary<Fibre, Deposits>();
        Deposits On(Fibre fibre) =>
            known.TryGetValue(fibre, out var found)
                ? found
                : known[fibre] = new Deposits([.. colourants.Select(c => c.On(fibre))], [.. colourants.Select(c => c.Shade.Level > 0 ? c.Feeds(fibre) : 0)]);
        onWhite = [.. canvas.Spots.Select(s => On(s.White))];
        onPigment = [.. canvas.Spots.Select(s => On(s.Pigmented))];
        order = [.. Enumerable.Range(0, canvas.Spots.Count)];
    }

    /// <summary>The weighted dE00 to the wish and what the forecast breaks; null as soon as the difference is certain to be more than the limit. No difference is below 0, so what is summed so far is never more than the whole.</summary>
    public (double DeltaE, Breach Breach)? Of(MixRules rules, ReadOnlySpan<int> shades, ReadOnlySpan<double> shares, double limit)
    {
        double sum = 0,
            greenest = double.MaxValue;
        bool spoils = false;
        for (int n = 0; n < order.Length; n++)
        {
            int i = order[n];
            var spot = canvas.Spots[i];
            if (spot.Weight == 0 && spot.Floor is null)
            {
                continue;
            }

            var seen = spot.See(Mix(onWhite[i], shades, shares), Mix(onPigment[i], shades, shares));
            spoils |= canvas.Spoils(spot, seen);
            if (spot.Weight == 0)
            {
                continue;
            }

            sum += spot.Weight * canvas.Miss(seen);
            greenest = Math.Min(greenest, canvas.Greenest(spot, seen));
            if (sum > limit)
            {
                // What turned one mix away is looked at sooner for the next.
                (order[n], order[n / 2]) = (order[n / 2], order[n]);
                return null;
            }
        }

        return (sum, rules.Forecast(greenest, spoils));
    }

    /// <summary>The dye of a mix, as <see cref="Mixture"/> makes it.</summary>
    private Pigment Mix(Deposits deposits, ReadOnlySpan<int> shades, ReadOnlySpan<double> shares)
    {
        var sum = default(Pigment);
        double depth = 0,
            rest = 0;
        for (int i = 0; i < shades.Length; i++)
        {
            if (!colourants[shades[i]].Shade.Concentrate)
            {
                sum += deposits.Dye[shades[i]] * shares[i];
                depth += deposits.Feeds[shades[i]] * shares[i];
                rest += shares[i];
            }
        }

        for (int i = 0; i < shades.Length; i++)
        {
            if (colourants[shades[i]].Shade.Concentrate && rest > 0)
            {
                sum += colourants[shades[i]].Pure * (depth * (shares[i] / rest));
            }
        }

        return sum;
    }
}
