using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Drawing;

namespace Kitto.Web.Cases;

/// <summary>A run as a page needs it: times are moments, milliseconds since 1970.</summary>
/// <param name="Now">The server's now.</param>
/// <param name="At">The step she is in; 1 before she began.</param>
/// <param name="Begun">When each step was begun last.</param>
/// <param name="First">First stroke; null before it.</param>
/// <param name="Rinse">When to rinse; null before the first stroke.</param>
/// <param name="Says">What to tell her; null where all goes as planned.</param>
/// <param name="Lanes">The clock as it runs, drawn; null before the first stroke.</param>
public sealed record RunNow(long Now, int At, IReadOnlyDictionary<int, long> Begun, long? First, long? Rinse, string? Says, string? Lanes);

/// <summary>Takes in the steps of a guide as they are done, from any device, and says where the run stands.</summary>
public sealed class RunDesk(Runs runs, Shelf shelf, TimeProvider clock)
{
    /// <summary>A device's clock may be ahead of ours by this much.</summary>
    private static readonly TimeSpan Ahead = TimeSpan.FromMinutes(2);

    /// <summary>Steps as a device sends them: id, step and moment, one a line. What cannot be is left out.</summary>
    /// <param name="text">Lines of "id step milliseconds".</param>
    /// <param name="steps">How many steps the guide has, the report included.</param>
    /// <param name="from">Nothing before this counts.</param>
    public IReadOnlyList<RunStep> Read(string text, int steps, DateTime from)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var found = new List<RunStep>();
        foreach (string[] words in text.Split('\n', StringSplitOptions.RemoveEmptyEntries).Take(Runs.Most).Select(l => l.Trim().Split(' ')))
        {
            if (words.Length == 3 && Guid.TryParse(words[0], out var id) && int.TryParse(words[1], out int step) && long.TryParse(words[2], out long ms)
                && step >= 1 && step <= steps && ms > 0 && ms < DateTimeOffset.MaxValue.ToUnixTimeMilliseconds())
            {
                var at = DateTimeOffset.FromUnixTimeMilliseconds(ms).UtcDateTime;
                if (at >= from && at <= now + Ahead)
                {
                    found.Add(new RunStep(id, step, at > now ? now : at));
                }
            }
        }

        return found;
    }

    /// <summary>Where a kit's run stands.</summary>
    public async Task<RunNow> Stand(OpenGuide open)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var steps = await runs.Of(open.Kit.Id);
        var begun = steps.GroupBy(s => s.Step).ToDictionary(g => g.Key, g => Ms(g.Max(s => s.BegunAt)));
        var read = CaseReader.Read(open.Signed.CaseDocument, shelf).Case!;
        var stand = Of(open.Guide, open.Prescription, read, steps, now, out var first);
        return new RunNow(Ms(now), steps.Count == 0 ? 1 : steps[^1].Step, begun, first is { } f ? Ms(f) : null,
            first is { } stroke && stand is not null ? Ms(stroke.AddMinutes(stand.Actual.RinseAtMinutes.Value)) : null, stand?.Says, stand is null ? null : Draw(stand, open.Prescription, read));
    }

    /// <summary>The stand of a run at a moment; null before the first stroke.</summary>
    public RunStand? Of(Guide guide, Prescription p, Case c, IReadOnlyList<RunStep> steps, DateTime now, out DateTime? first)
    {
        var paints = guide.Steps.Select((s, i) => (Step: i + 1, s.Kind, s.Zone)).Where(s => s is { Kind: StepKind.Paint, Zone: not null }).ToList();
        var strokes = paints.Select(z => (Zone: z.Zone!.Value, At: steps.Where(s => s.Step == z.Step).Select(s => (DateTime?)s.BegunAt).Min()))
            .Where(z => z.At is not null).Select(z => (z.Zone, At: z.At!.Value)).OrderBy(z => z.At).ToList();
        first = strokes.Count == 0 ? null : strokes[0].At;
        if (first is not { } start || p.Clock is not { } plan)
        {
            return null;
        }

        int after = paints[^1].Step + 1;
        // She is done painting when she goes past the last zone, and again when she had gone back to one.
        DateTime? last = steps[^1].Step >= after ? steps.Where((s, i) => s.Step >= after && (i == 0 || steps[i - 1].Step < after)).Max(s => s.BegunAt) : null;
        double Minutes(DateTime at) => (at - start).TotalMinutes;
        bool reserve = p.Formulas[0].Pairs is { Count: > 1 } pairs && pairs[^1].Name == "reserve";
        return Run.Stand(plan, [.. strokes.Select(s => (s.Zone, Minutes(s.At)))], last is { } end ? Minutes(end) : null, Minutes(now), c.Reading, c.Goal.Service, shelf.Find(p.Formulas[0].Line)!, reserve);
    }

    /// <summary>The run of a kit as it was, for the studio; null where nothing was begun.</summary>
    public async Task<RunStand?> Kept(Kit kit, Guide guide, Prescription p, Case c)
    {
        var steps = await runs.Of(kit.Id);
        var end = steps.Count == 0 ? clock.GetUtcNow().UtcDateTime : steps[^1].BegunAt;
        return Of(guide, p, c, steps, end, out _);
    }

    private string Draw(RunStand stand, Prescription p, Case c) =>
        ClockDrawing.Draw(stand.Actual, c.Reading, shelf.Find(p.Formulas[0].Line)!, c.Goal.Service, now: stand.NowMinutes, small: true);

    private static long Ms(DateTime at) => new DateTimeOffset(DateTime.SpecifyKind(at, DateTimeKind.Utc)).ToUnixTimeMilliseconds();
}
