using Kitto.Core.Colour;

namespace Kitto.Core.Outcome;

/// <summary>How an earlier kit of this client came out against its forecast.</summary>
/// <param name="DaysAgo">Days since, 0 to 3650.</param>
/// <param name="Forecast">What was forecast.</param>
/// <param name="Wish">What was wished.</param>
/// <param name="Depth">How deep it came out.</param>
/// <param name="Tone">How warm it came out.</param>
/// <param name="Seen">What was measured of it on a card; null: nothing.</param>
public sealed record ColourReport(int DaysAgo, Lab Forecast, Lab Wish, Depth Depth, ToneOutcome Tone, SeenColour? Seen = null);

/// <summary>This client's own difference between what is forecast and what comes out, learnt from her reports. All numbers are ours.</summary>
public static class Residual
{
    /// <summary>A report of "too light" or "too dark" means about this much L*: half a level.</summary>
    public const double HalfLevel = 3;

    /// <summary>A report of "too warm", "too cool" or "green" means about this much along that direction.</summary>
    public const double ToneStep = 3;

    /// <summary>What words say of a colour is as uncertain as this, CIELAB units: what was measured counts by how much less it is.</summary>
    public const double WordsSd = 2.5;

    /// <summary>What was measured of one kit counts as so many reports in words at most.</summary>
    public const double MostOfOne = 3;

    /// <summary>The model is trusted like so many reports.</summary>
    public const double Trust = 2;

    /// <summary>A report counts half after so many days: hair and hands change.</summary>
    public const double HalfLifeDays = 365;

    /// <summary>No reports move a forecast further than this on any axis.</summary>
    public const double Most = 5;

    /// <summary>What is added to a forecast.</summary>
    public static Lab Of(IReadOnlyList<ColourReport> reports)
    {
        var sum = default(Lab);
        double weights = 0;
        foreach (var report in reports)
        {
            double weight = Math.Pow(.5, report.DaysAgo / HalfLifeDays);
            sum += (report.Wish + Off(report) - report.Forecast) * weight;
            weights += weight;
            if (report.Seen is { } seen)
            {
                double measured = weight * Math.Min(MostOfOne, WordsSd / seen.Sd * (WordsSd / seen.Sd));
                sum += (seen.Colour - report.Forecast) * measured;
                weights += measured;
            }
        }

        var mean = weights == 0 ? default : sum * (1 / (weights + Trust));
        return new Lab(Math.Clamp(mean.L, -Most, Most), Math.Clamp(mean.A, -Most, Most), Math.Clamp(mean.B, -Most, Most));
    }

    /// <summary>What her words say about where it lies from the wish.</summary>
    private static Lab Off(ColourReport report)
    {
        double l = report.Depth switch
        {
            Depth.TooLight => HalfLevel,
            Depth.TooDark => -HalfLevel,
            _ => 0,
        };
        return report.Tone switch
        {
            ToneOutcome.TooWarm => new Lab(l, ToneStep / 2, ToneStep),
            ToneOutcome.TooCool => new Lab(l, -ToneStep / 2, -ToneStep),
            ToneOutcome.Green => new Lab(l, -ToneStep, 0),
            _ => new Lab(l, 0, 0),
        };
    }
}
