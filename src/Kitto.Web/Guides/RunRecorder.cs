using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Drawing;

namespace Kitto.Web.Guides;

/// <summary>A run as a page needs it: times are moments, milliseconds since 1970.</summary>
/// <param name="Now">The server's now.</param>
/// <param name="Part">Which part of the page the client belongs on; a page that shows another loads again.</param>
/// <param name="At">The step the client is in; 1 before the run began.</param>
/// <param name="Begun">When each step was begun last.</param>
/// <param name="First">First stroke; null before it.</param>
/// <param name="Rinse">When to rinse; null before the first stroke.</param>
/// <param name="PartAt">When some zones have to be rinsed before the others; null where none have.</param>
/// <param name="PartZones">Which zones those are, in words.</param>
/// <param name="Says">What else the client has to hear; null where all goes as planned.</param>
/// <param name="Lanes">The clock as it runs, drawn; null before the first stroke.</param>
/// <param name="Page">Changes whenever the page would show something else: the kit was stopped, moved or cancelled, a test was reported.</param>
public sealed record RunNow(
    long Now,
    string Part,
    int At,
    IReadOnlyDictionary<int, long> Begun,
    long? First,
    long? Rinse,
    long? PartAt,
    string? PartZones,
    string? Says,
    string? Lanes,
    string Page
);

/// <summary>Takes in the words of a run as they come, from any device, and says where it stands.</summary>
public sealed class RunRecorder(Runs runs, SafetyCommands commands, TimeProvider clock)
{
    /// <summary>Strokes later than this after the first belong to no colouring of a head, hours (ours).</summary>
    private const double LongestHours = 12;

    /// <summary>Words as a device sends them, one a line: id, word, step and moment. What cannot be is left out.</summary>
    /// <param name="text">Lines of "id word step milliseconds".</param>
    /// <param name="steps">How many steps the guide has, the report included.</param>
    public static IReadOnlyList<RunLine> Read(string text, int steps)
    {
        var found = new List<RunLine>();
        foreach (string[] words in text.Split('\n', StringSplitOptions.RemoveEmptyEntries).Take(RunState.Most).Select(l => l.Trim().Split(' ')))
        {
            if (
                words.Length == 4
                && Guid.TryParse(words[0], out var id)
                && Json.Named<RunWord>(words[1]) is { } word
                && int.TryParse(words[2], out int step)
                && (word is RunWord.Start or RunWord.End ? step == 0 : step >= 1 && step <= Math.Min(99, steps))
                && long.TryParse(words[3], out long ms)
                && ms > 0
                && ms < DateTimeOffset.MaxValue.ToUnixTimeMilliseconds()
            )
            {
                found.Add(new RunLine(id, word, step, DateTimeOffset.FromUnixTimeMilliseconds(ms).UtcDateTime));
            }
        }

        return found;
    }

    /// <summary>Records words; what the phone's clock is ahead by is taken off.</summary>
    public Task<int> Tell(OpenGuide open, IEnumerable<RunLine> words)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        return commands.Tell(
            open.Kit,
            [.. words.Select(w => w.At > now && w.At <= now + KitLife.Ahead ? w with { At = now } : w).OrderBy(w => w.At)],
            open.Studio.Today,
            now
        );
    }

    /// <summary>Where a kit's run stands.</summary>
    /// <param name="open">The guide.</param>
    /// <param name="page">Which part of the page the client belongs on.</param>
    public RunNow Stand(OpenGuide open, string page)
    {
        var (now, run) = (clock.GetUtcNow().UtcDateTime, open.Run);
        var begun = run.Steps.GroupBy(s => s.Step).ToDictionary(g => g.Key, g => Ms(g.Max(s => s.At)));
        var (stand, first, timer) = At(open, now);
        return new RunNow(
            Ms(now),
            page,
            run.Steps.Count == 0 ? 1 : run.Steps[^1].Step,
            begun,
            run.FirstStroke is { } f ? Ms(f) : null,
            timer.RinseAt is { } rinse ? Ms(rinse) : null,
            stand?.FirstOffAt is { } part && first is { } from ? Ms(from.AddMinutes(part)) : null,
            stand?.FirstOffAt is null ? null : Words.Client.Terms(stand.FirstOff),
            // The phone says by itself, and to the second, when a rinse is due.
            timer.Says
                is { } says
            && stand?.FirstOffAt is null
            && !(timer.RinseAt <= now && stand?.Painted != false)
                ? Words.Client.ToClient(says)
                : null,
            stand is null ? null : Draw(stand, open),
            PageOf(open, page)
        );
    }

    /// <summary>A run at a moment: where its zones are and when the first was painted, both null before that or when the run is over, and what its clock shows.</summary>
    public static (RunStand? Zones, DateTime? First, RunClock Clock) At(OpenGuide open, DateTime now)
    {
        DateTime? first = null;
        var zones = open.Run.InHand(now) ? Of(open.Guide, open.Prescription, open.Case, open.Shelf, open.Run.Steps, now, out first) : null;
        return (zones, first, RunClock.Of(open.Guide, open.Run, open.Prescription.Clock!, zones, first, now));
    }

    /// <summary>What an open page is compared with.</summary>
    public static string PageOf(OpenGuide open, string part) =>
        string.Join(
            ' ',
            part,
            open.Kit.Version,
            open.Kit.ColourOn?.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
            string.Join(',', open.Tests.Skin.Select(s => s.Stage)),
            open.Tests.Strand?.Id
        );

    /// <summary>The words of a client whose colour is on already: a first stroke then, and all of it painted by the plan or by now, whichever is earlier.</summary>
    /// <param name="open">The guide.</param>
    /// <param name="id">The id of what was sent.</param>
    /// <param name="on">When the colour went on, UTC.</param>
    /// <param name="now">Now, UTC.</param>
    public static IReadOnlyList<RunLine> OnAlready(OpenGuide open, Guid id, DateTime on, DateTime now)
    {
        int Number(StepKind kind) => open.Guide.Steps.ToList().FindIndex(s => s.Kind == kind) + 1;
        var (first, wait, zone) = (open.Kit.RunSteps.First, Number(StepKind.Wait), Number(StepKind.Paint));
        var painted = on.AddMinutes(open.Prescription.Clock!.PaintMinutes.Value);
        return
        [
            new RunLine(id, RunWord.Start, 0, on),
            .. new[] { first, zone }.Distinct().Select(s => new RunLine(KitLife.Next(id, s), RunWord.Step, s, on)),
            new RunLine(KitLife.Next(id, wait), RunWord.Step, wait, painted < now ? painted : now),
        ];
    }

    /// <summary>The stand of a run at a moment; null before the first zone was painted.</summary>
    public static RunStand? Of(Guide guide, Prescription p, Case c, Shelf shelf, IReadOnlyList<RunLine> steps, DateTime now, out DateTime? first)
    {
        var paints = guide.Steps.Select((s, i) => (Step: i + 1, s.Kind, s.Zone, s.Scalp)).Where(s => s is { Kind: StepKind.Paint, Zone: not null }).ToList();
        var strokes = paints
            .Select(z => (Stroke: new Stroke(z.Zone!.Value, z.Scalp), At: steps.Where(s => s.Step == z.Step).Select(s => (DateTime?)s.At).Min()))
            .Where(z => z.At is not null)
            .Select(z => (z.Stroke, At: z.At!.Value))
            .OrderBy(z => z.At)
            .ToList();
        first = strokes.Count == 0 ? null : strokes[0].At;
        if (first is not { } start || p.Clock is not { } plan || shelf.Find(p.Formulas[0].Line) is not { } line)
        {
            return null;
        }

        double Minutes(DateTime at) => Math.Clamp((at - start).TotalMinutes, 0, LongestHours * 60);
        strokes = [.. strokes.Where(s => (s.At - start).TotalHours <= LongestHours && plan.Strokes.Any(z => z.Stroke == s.Stroke))];
        int after = paints[^1].Step + 1;
        // Painting is over when the run goes past the last zone, and again when it had gone back to one.
        DateTime? last = steps[^1].Step >= after ? steps.Where((s, i) => s.Step >= after && (i == 0 || steps[i - 1].Step < after)).Max(s => s.At) : null;
        bool rinsed = guide.FirstRinse <= steps[^1].Step;
        bool reserve = p.Formulas[0].Pairs is { Count: > 1 } pairs && pairs[^1].IsReserve;
        return strokes.Count == 0
            ? null
            : Run.Stand(
                plan,
                [.. strokes.Select(s => (s.Stroke, Minutes(s.At)))],
                last is { } end ? Minutes(end) : null,
                Minutes(now),
                c.Reading,
                c.Goal.Service,
                line,
                reserve,
                rinsed
            );
    }

    /// <summary>The run of a kit as it was, for the studio; null where nothing was painted.</summary>
    public async Task<RunStand?> Kept(Kit kit, Guide guide, Prescription p, Case c, Shelf shelf)
    {
        var run = RunState.Of(await runs.Of(kit.Id), kit.RunSteps);
        return run.Steps.Count == 0 ? null : Of(guide, p, c, shelf, run.Steps, run.Steps[^1].At, out _);
    }

    private static string Draw(RunStand stand, OpenGuide open) =>
        ClockDrawing.Draw(
            stand.Actual,
            open.Case.Reading,
            open.Shelf.Find(open.Prescription.Formulas[0].Line)!,
            open.Case.Goal.Service,
            now: stand.NowMinutes,
            small: true
        );

    private static long Ms(DateTime at) => new DateTimeOffset(DateTime.SpecifyKind(at, DateTimeKind.Utc)).ToUnixTimeMilliseconds();
}
