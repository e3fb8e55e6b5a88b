using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Web.Guides;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Who needs something today.</summary>
public sealed class TodayModel(
    KitLooks looks,
    StandRecord stands,
    Kits kits,
    Reports reports,
    KitGate gate,
    Answers answers,
    Messages messages,
    Studios studios,
    SafetyRecords safety,
    KitNotes notes,
    Proposals proposals,
    TimeProvider clock
) : PageModel
{
    private const string NotByKit = "Not by kit";

    private static readonly Dictionary<KitPlace, string> Titles = new()
    {
        [KitPlace.Stopped] = "Stopped",
        [KitPlace.Report] = "Reports to read",
        [KitPlace.Bench] = "At the bench",
        [KitPlace.Overdue] = "Overdue",
        [KitPlace.Held] = "Held by a test",
        [KitPlace.UnderWay] = "Under way",
    };

    private TodayWords words = null!;

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
        words = new TodayWords(Studio, Today);
        var now = clock.GetUtcNow().UtcDateTime;
        Waiting = await messages.Waiting(now - ClientMessageSender.Crashed);
        await looks.Look();
        var told = (await answers.Unseen())
            .Select(a => new TodayLine(
                a.ClientName,
                $"answered the questions {words.When(Studio.Today(a.AnsweredAt))}",
                $"/clients/{a.ClientId}/answers",
                "Read them"
            ))
            .ToList();
        var back = (await safety.TakenBack(now.AddDays(-TakenBackDays)))
            .Select(b => new TodayLine(
                b.Client,
                $"reported a reaction {Studio.Local(b.ToldAt):ddd HH:mm}, withdrew it {Studio.Local(b.BackAt):HH:mm} (tapped by mistake)",
                $"/clients/{b.ClientId}#safety",
                "Call anyway"
            ))
            .ToList();
        var asked = (await notes.Open()).Select(n => new TodayLine(n.Client, TodayWords.Of(n.Sort), $"/kits/{n.KitId}", "Open the kit")).ToList();
        var proposed = (await proposals.Waiting())
            .Select(o => new TodayLine(
                o.ClientName,
                $"{o.PersonName} proposes a prescription, {Studio.Local(o.ProposedAt):ddd HH:mm}",
                $"/clients/{o.ClientId}/prescription?proposed",
                "Look"
            ))
            .ToList();
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

        var counts = await stands.Counts();
        var lines = await LinesOf(counts, from);
        (string Title, int Count, IReadOnlyList<TodayLine> Lines) Kept(KitPlace place) => (Titles[place], counts.GetValueOrDefault(place), lines[place]);
        (string Title, int Count, IReadOnlyList<TodayLine> Lines) Whole(string title, IReadOnlyList<TodayLine> all) =>
            (title, all.Count, [.. group is null ? all.Take(First) : all.Skip(from).Take(PageSize)]);
        (string Title, int Count, IReadOnlyList<TodayLine> Lines)[] every =
        [
            Whole("Reaction withdrawn", back),
            Kept(KitPlace.Stopped),
            Whole("From clients", asked),
            Whole("Answers to read", told),
            Whole("To countersign", proposed),
            Kept(KitPlace.Report),
            Kept(KitPlace.Bench),
            Kept(KitPlace.Overdue),
            Kept(KitPlace.Held),
            Kept(KitPlace.UnderWay),
            (NotByKit, from + chair.Count, [.. chair.Take(group is null ? First : PageSize)]),
        ];
        Groups = [.. every.Where(g => group is null || g.Title == group)];
    }

    /// <summary>The kits that are shown of each group; of those that are stopped all, a stop is never left for another page.</summary>
    private async Task<IReadOnlyDictionary<KitPlace, IReadOnlyList<TodayLine>>> LinesOf(IReadOnlyDictionary<KitPlace, int> counts, int from)
    {
        var ids = new Dictionary<KitPlace, IReadOnlyList<Guid>>();
        foreach (var place in Enum.GetValues<KitPlace>())
        {
            ids[place] =
                counts.GetValueOrDefault(place) == 0 || (Group is not null && Group != Titles[place]) ? []
                : Group is null ? await stands.In(place, 0, place == KitPlace.Stopped ? int.MaxValue : First)
                : await stands.In(place, from, PageSize);
        }

        Guid[] shown = [.. ids.Values.SelectMany(i => i)];
        var there = (await kits.Get(shown)).ToDictionary(k => k.Id);
        var (stand, outcomes) = (await gate.Of([.. there.Values]), await reports.OutcomesOf(shown));
        return ids.ToDictionary(
            p => p.Key,
            p =>
                (IReadOnlyList<TodayLine>)
                    [.. p.Value.Where(there.ContainsKey).Select(id => words.Line(there[id], p.Key, stand(there[id]).Verdict, outcomes.GetValueOrDefault(id)))]
        );
    }
}
