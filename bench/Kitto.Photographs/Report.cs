using Kitto.Core.Colour;
using Kitto.Core.Picture;

namespace Kitto.Photographs;

/// <summary>What the reading of drawn pictures is worth.</summary>
internal static class Report
{
    /// <summary>Writes it.</summary>
    /// <returns>Whether all that is wanted is reached.</returns>
    public static bool Write(TextWriter to, IReadOnlyList<(int Seed, Drawn Drawn, PictureReading Reading, double Ms)> seen, bool list)
    {
        var within = seen.Where(s => s.Drawn.Beyond is null).ToList();
        var read = within.Where(s => s.Reading.Refused is null).ToList();
        to.WriteLine(
            $"{within.Count} pictures within the limits, {read.Count} read; refused: {Counted(within.Where(s => s.Reading.Refused is not null).Select(s => s.Reading.Refused!.Value))}"
        );
        if (list)
        {
            foreach (var (seed, d, r, _) in within)
            {
                to.WriteLine(
                    $"{seed} {d.Shot.Lamp, -12} mm {d.Hair.RegrowthMm, 5:0.0} {Text(r.RegrowthMm)} white {d.Hair.White, 4:0.00} {Text(r.White)} level {d.Hair.Level, 4:0.0} {Text(r.Level)} lengths {d.Hair.LengthsLevel:0.0} band {d.Hair.BandMm:0} {r.BandTo - r.LineAt?[6]:0} parting {r.Parting?.Middle - d.Hair.PartingMm:0.0} lean {Math.Tan(d.Hair.LeanDegrees * Math.PI / 180) - r.Slope:0.00} {r.Refused}"
                );
            }
        }

        var lines = read.Where(s => s.Reading.RegrowthMm is not null).ToList();
        to.WriteLine($"no line found: {read.Count - lines.Count}");
        bool good =
            Line(to, "regrowth, mm", lines.Select(s => (s.Drawn.Hair.RegrowthMm, s.Reading.RegrowthMm!)), 1, 3)
            & Line(
                to,
                "white, points",
                lines.Where(s => s.Reading.White is not null).Select(s => (s.Drawn.Hair.White * 100, Times(s.Reading.White!, 100))),
                5,
                12
            )
            & Line(to, "level", lines.Where(s => s.Reading.Level is not null).Select(s => (s.Drawn.Hair.Level, s.Reading.Level!)), 0.3, 0.8);
        to.WriteLine(
            $"told of those read: regrowth {lines.Count}, white {lines.Count(s => s.Reading.White is not null)}, level {lines.Count(s => s.Reading.Level is not null)}"
        );
        foreach (var lamp in lines.GroupBy(s => s.Drawn.Shot.Lamp).OrderBy(g => g.Key))
        {
            Line(to, $"  level, {lamp.Key}", lamp.Where(s => s.Reading.Level is not null).Select(s => (s.Drawn.Hair.Level, s.Reading.Level!)), 0.3, 0.8);
            Line(
                to,
                $"  white, {lamp.Key}",
                lamp.Where(s => s.Reading.White is not null).Select(s => (s.Drawn.Hair.White * 100, Times(s.Reading.White!, 100))),
                5,
                12
            );
        }

        var lengths = lines.Where(s => s.Reading.Lengths is not null).ToList();
        Looks(to, "lengths in the window", lengths.Select(s => (s.Drawn.Hair.LengthsColour, s.Reading.Lengths!.Value, s.Reading.LengthsSd)));

        var beyond = seen.Where(s => s.Drawn.Beyond is not null).ToList();
        int right = beyond.Count(s => s.Reading.Refused == s.Drawn.Beyond);
        to.WriteLine($"{beyond.Count} beyond the limits: {right} refused with the right reason, {beyond.Count(s => s.Reading.Refused is null)} answered");
        foreach (var (seed, d, r, _) in beyond.Where(s => s.Reading.Refused != s.Drawn.Beyond))
        {
            to.WriteLine($"  {seed}: {d.Beyond}, was {(r.Refused is { } other ? other.ToString() : $"read: {Text(r.RegrowthMm)}")}");
        }

        double[] times = [.. seen.Select(s => s.Ms).Order()];
        to.WriteLine(
            $"reading: median {times[times.Length / 2]:0} ms, 95 of 100 {times[(int)(times.Length * 0.95)]:0} ms, {times.Length} pictures, as many at once as processors"
        );
        return good && right >= 0.95 * beyond.Count && read.Count >= 0.9 * within.Count;
    }

    /// <summary>How near the colour of lengths comes, and their level and family by name: against the name of the colour that was drawn.</summary>
    internal static void Looks(TextWriter to, string name, IEnumerable<(Lab True, Lab Found, double Sd)> pairs)
    {
        var all = pairs
            .Select(p => (Miss: Difference2000.Between(p.True, p.Found), p.Found, p.True, Is: NearestLook.Of(p.True, 0), Says: NearestLook.Of(p.Found, p.Sd)))
            .ToList();
        double[] misses = [.. all.Select(p => p.Miss).Order()],
            levels = [.. all.Select(p => Math.Abs(p.Is.Level - p.Says.Level)).Order()];
        int tail = Math.Min(misses.Length - 1, (int)(misses.Length * 0.95));
        to.WriteLine(
            $"{name}, {all.Count}: dE00 median {misses[misses.Length / 2]:0.0}, 95 of 100 {misses[tail]:0.0}, L {all.Average(p => p.Found.L - p.True.L):0.0} a {all.Average(p => p.Found.A - p.True.A):0.0} b {all.Average(p => p.Found.B - p.True.B):0.0}; level median {levels[levels.Length / 2]:0.0}, 95 of 100 {levels[tail]:0.0}, in its band {100 * all.Average(p => p.Is.Level >= p.Says.Low && p.Is.Level <= p.Says.High ? 1.0 : 0):0} of 100; family named {100 * all.Average(p => p.Is.Family == p.Says.Family ? 1.0 : 0):0}, among those named {100 * all.Average(p => p.Is.Family == p.Says.Family || p.Says.Or.Contains(p.Is.Family) ? 1.0 : 0):0} of 100, named {all.Average(p => 1 + p.Says.Or.Count):0.0}"
        );
    }

    private static Measured Times(Measured m, double by) => new(m.Value * by, m.Low * by, m.High * by);

    private static string Text(Measured? m) => m is null ? "-" : $"{m.Value, 5:0.00} [{m.Low:0.00} {m.High:0.00}]";

    private static string Counted(IEnumerable<PictureRefusal> what) =>
        string.Join(", ", what.GroupBy(w => w).Select(g => $"{g.Key} {g.Count()}")) is { Length: > 0 } some ? some : "none";

    private static bool Line(TextWriter to, string name, IEnumerable<(double True, Measured Found)> pairs, double median, double most)
    {
        var all = pairs.ToList();
        if (all.Count == 0)
        {
            return false;
        }

        double[] errors = [.. all.Select(p => Math.Abs(p.Found.Value - p.True)).Order()];
        double mid = errors[errors.Length / 2],
            tail = errors[Math.Min(errors.Length - 1, (int)(errors.Length * 0.95))],
            held = all.Average(p => p.True >= p.Found.Low && p.True <= p.Found.High ? 1.0 : 0),
            bias = all.Average(p => p.Found.Value - p.True);
        bool good = mid <= median && tail <= most && held is >= 0.75 and <= 0.9;
        to.WriteLine(
            $"{name, -22} median {mid, 6:0.00} (wanted {median}), 95 of 100 {tail, 6:0.00} (wanted {most}), held by its band {held * 100, 3:0} of 100 (wanted 75 to 90), bias {bias, 6:0.00}{(good ? "" : "  missed")}"
        );
        return good;
    }
}
