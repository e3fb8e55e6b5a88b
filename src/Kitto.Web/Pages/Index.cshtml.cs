using Kitto.Core.Safety;
using Kitto.Core.Trade;
using Kitto.Store;
using Kitto.Web.Guides;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>One line of Today: who, what, and why it is here.</summary>
public sealed record TodayLine(string Name, string Says, string Link, string Act, bool Alarm = false);

/// <summary>Who needs something today.</summary>
public sealed class TodayModel(
    Kits kits,
    Reports reports,
    KitGate gate,
    Answers answers,
    Messages messages,
    Studios studios,
    SafetyRecords safety,
    TimeProvider clock
) : PageModel
{
    private const string NotByKit = "Not by kit";

    /// <summary>A reaction that was taken back is shown for so long, days (ours).</summary>
    private const int TakenBackDays = 3;

    public Studio Studio { get; private set; } = null!;

    public DateOnly Today { get; private set; }

    /// <summary>Messages that wait for a person.</summary>
    public int Waiting { get; private set; }

    /// <summary>So many of each group are shown together; of one group alone, so many a page.</summary>
    public const int First = 20,
        PageSize = 100;

    /// <summary>Groups in the order of urgency: how many there are, and those that are shown. Of the last it is not counted further than they are looked at.</summary>
    public IReadOnlyList<(string Title, int Count, IReadOnlyList<TodayLine> Lines)> Groups { get; private set; } = [];

    /// <summary>The one group that is looked at; null: all.</summary>
    public string? Group { get; private set; }

    /// <summary>Which page of it, from 1.</summary>
    public int At { get; private set; }

    public async Task OnGet(string? group, int at)
    {
        (Group, At) = (group, Math.Clamp(at, 1, 10_000));
        Studio = (await studios.Get())!;
        Today = Studio.Today(clock.GetUtcNow());
        var now = clock.GetUtcNow().UtcDateTime;
        Waiting = await messages.Waiting(now - ClientMessageSender.Crashed);
        var open = await kits.Open();
        var verdicts = await gate.OfOpenKits();
        var outcomes = (await reports.OutcomesOfOpenKits()).ToDictionary(o => o.KitId);
        var told = (await answers.Unseen())
            .Select(a => new TodayLine(
                a.ClientName,
                $"answered the questions {When(Studio.Today(a.AnsweredAt))}",
                $"/clients/{a.ClientId}/answers",
                "Read them"
            ))
            .ToList();
        var back = (await safety.TakenBack(now.AddDays(-TakenBackDays)))
            .Select(b => new TodayLine(
                b.Client,
                $"told of a reaction {Studio.Local(b.ToldAt):ddd HH:mm} and took it back {Studio.Local(b.BackAt):HH:mm} as tapped by mistake",
                $"/clients/{b.ClientId}#safety",
                "Call all the same"
            ))
            .ToList();
        var stopped = new List<TodayLine>();
        var reported = new List<TodayLine>();
        var bench = new List<TodayLine>();
        var overdue = new List<TodayLine>();
        var held = new List<TodayLine>();
        var ahead = new List<TodayLine>();
        foreach (var kit in open)
        {
            string link = $"/kits/{kit.Id}";
            TodayLine Line(string says, string act, bool alarm = false) => new(kit.ClientName, says, link, act, alarm);
            var verdict = verdicts(kit);
            switch (kit.State)
            {
                case var state when state == "stopped" || !verdict.MayGoOn:
                    stopped.Add(
                        Line(
                            $"kit {kit.Number} is stopped{(verdict.OnHead ? ", and colour is on the head" : "")}: {verdict.Stops[0].Rule} {Words.Studio.Says(verdict.Stops[0])}",
                            $"Look, then call {kit.Client.Object}",
                            true
                        )
                    );
                    break;
                case "reported" when outcomes.TryGetValue(kit.Id, out var outcome) && outcome.SeenAt is null:
                    reported.Add(
                        Line(
                            $"kit {kit.Number}: {Words.Result(outcome)}; {(outcome.RanOut ? "it ran out" : $"{outcome.LeftGrams:0.#} g left")}",
                            "Read the report"
                        )
                    );
                    break;
                case "signed":
                    bench.Add(
                        Line(kit.FillOn is { } fill ? $"kit {kit.Number} to pack {When(fill)}" : $"kit {kit.Number} to pack", "Weigh") with
                        {
                            Link = $"/bench/{kit.Id}",
                        }
                    );
                    break;
                case "packed":
                    bench.Add(Line(kit.PostOn is { } post ? $"kit {kit.Number} to post {When(post)}" : $"kit {kit.Number} to post", "Post"));
                    break;
                case "posted":
                    string says = Says(verdict);
                    if (kit.ColourOn is { } day && day.AddDays(Values.ReportDays) < Today)
                    {
                        overdue.Add(Line($"kit {kit.Number}: colour day was {When(day)}, no word since; {says}", $"Ask {kit.Client.Object}"));
                    }
                    else
                    {
                        string on = kit.ColourOn is { } colour ? $", colour day {When(colour)}" : "";
                        (verdict.ShowsSteps ? ahead : held).Add(Line($"kit {kit.Number}{(verdict.ShowsSteps ? ": " : " is held: ")}{says}{on}", "Look"));
                    }

                    break;
            }
        }

        var chair = new List<TodayLine>();
        int from = group is null ? 0 : (At - 1) * PageSize;
        foreach (var p in await kits.NotAtHome(from, group is null ? First + 1 : PageSize + 1))
        {
            chair.Add(
                new TodayLine(
                    p.ClientName,
                    $"{(p.Decision == "stop" ? "no colour" : "only in the salon")}: {p.Says} {p.Rule}",
                    $"/prescriptions/{p.Id}",
                    "Look"
                )
            );
        }

        List<(string Title, List<TodayLine> Lines)> all =
        [
            ("Stopped", stopped),
            ("Taken back", back),
            ("Answers to read", told),
            ("Reports to read", reported),
            ("At the bench", bench),
            ("Overdue", overdue),
            ("Held by a test", held),
            ("Under way", ahead),
        ];
        // A stop is never left for another page.
        Groups =
        [
            .. all.Where(g => group is null || g.Title == group)
                .Select(g =>
                    (
                        g.Title,
                        g.Lines.Count,
                        (IReadOnlyList<TodayLine>)
                            [.. group is null ? g.Lines.Take(g.Title == "Stopped" ? int.MaxValue : First) : g.Lines.Skip(from).Take(PageSize)]
                    )
                )
                .Concat(
                    group is null or NotByKit
                        ? [(NotByKit, from + chair.Count, (IReadOnlyList<TodayLine>)[.. chair.Take(group is null ? First : PageSize)])]
                        : []
                ),
        ];
    }

    private string Says(Verdict verdict)
    {
        if (verdict.State == GateState.SeeThrough)
        {
            return verdict.OnHead ? "colour is on the head now" : "the client has begun";
        }

        if (verdict.State == GateState.Open)
        {
            return "both tests clear";
        }

        var skin = verdict.Tests.Skin.FirstOrDefault(s => s.Stage != SkinStage.Clear);
        return skin?.Stage switch
        {
            SkinStage.NotYet => "no skin test yet",
            SkinStage.Watching => $"skin test on since {Studio.Local(skin.On!.At):ddd HH:mm}",
            SkinStage.ToReport => "skin test waits for word",
            SkinStage.Expired => "the skin test is too old now",
            SkinStage.Reacted => "the skin test reacted",
            _ => verdict.Tests.Strand is { Result: { } strand }
                ? $"strand test came out {Words.Spaced(Words.Name(strand))}{(verdict.Has(LockKind.Colourist) ? ", waits for you" : "")}"
                : "skin test clear, strand test to come",
        };
    }

    private string When(DateOnly day) =>
        (day.DayNumber - Today.DayNumber) switch
        {
            0 => "today",
            1 => "tomorrow",
            -1 => "yesterday",
            < 0 => $"{Today.DayNumber - day.DayNumber} days ago",
            var days and < 7 => $"on {day:dddd}, in {days} days",
            _ => $"on {day:ddd d MMM}",
        };
}
