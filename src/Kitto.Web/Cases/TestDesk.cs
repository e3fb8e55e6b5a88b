using Kitto.Core.Safety;
using Kitto.Store;

namespace Kitto.Web.Cases;

/// <summary>Where one line's skin test stands.</summary>
public enum SkinStage
{
    /// <summary>Not put on yet.</summary>
    NotYet,
    /// <summary>On, and not yet 48 hours.</summary>
    Watching,
    /// <summary>48 hours are over: to be reported.</summary>
    ToReport,
    /// <summary>Clear and still counting.</summary>
    Clear,
    /// <summary>Clear once, but too long ago.</summary>
    Expired,
    /// <summary>Reacted.</summary>
    Reacted,
}

/// <summary>One line's skin test.</summary>
public sealed record SkinStand(string Line, SkinStage Stage, TestReport? Test, DateTime? ReadyAt);

/// <summary>All tests of one kit at one moment.</summary>
/// <param name="Skin">One for each line of the kit.</param>
/// <param name="StrandNeeded">Whether a strand test locks the kit.</param>
/// <param name="StrandResult">Its newest result.</param>
/// <param name="StrandMinutes">When that strand was looked at, minutes; null where she did not say.</param>
public sealed record TestStand(IReadOnlyList<SkinStand> Skin, bool StrandNeeded, string? StrandResult, double? StrandMinutes = null)
{
    public bool SkinClear => Skin.All(s => s.Stage == SkinStage.Clear);

    public bool StrandClear => StrandResult == "right" || (!StrandNeeded && StrandResult is null);

    /// <summary>Whether they were clear at some time, so that a report can be taken however late it comes.</summary>
    public bool WasClear => Skin.All(s => s.Stage is SkinStage.Clear or SkinStage.Expired) && StrandClear;

    /// <summary>Whether the main sachets may be mixed.</summary>
    public bool Unlocked => SkinClear && StrandClear;
}

/// <summary>Keeps and judges the tests of a kit; the only place that decides whether its main part is open.</summary>
public sealed class TestDesk(Reports reports, Kits kits, Answers answers, TimeProvider clock)
{
    /// <summary>The stand of a kit's tests now, from what was reported of them.</summary>
    public static TestStand Stand(Kit kit, IEnumerable<TestReport> counting, DateTime now)
    {
        var tests = counting.ToList();
        var skin = kit.Lines.Split(',').Select(line => Skin(line, tests, kit.SkinDays, now)).ToList();
        var strand = tests.Where(t => t is { Kind: "strand", Result: not null }).OrderByDescending(t => t.ReportedAt).FirstOrDefault();
        return new TestStand(skin, kit.StrandNeeded, strand?.Result, strand?.Minutes);
    }

    /// <summary>
    /// The tests that count for a kit: its own, and clear skin tests of the client's other kits while they are young enough.
    /// A reaction always counts; another skin test counts only from the moment something new was answered (SA5).
    /// </summary>
    public static IReadOnlyList<TestReport> Counting(Guid kitId, IEnumerable<TestReport> ofClient, DateTime? countFrom) =>
        [.. ofClient.Where(t => (t.KitId == kitId || (t.Kind == "skin" && t.Result is not null)) && (t.Kind != "skin" || t.Result == "reacted" || countFrom is not { } from || t.AppliedAt >= from))];

    /// <summary>How the tests of any open kit stand now, all of them asked for at once.</summary>
    public async Task<Func<Kit, TestStand>> OfOpenKits()
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var tests = (await reports.TestsOfOpenKits()).ToLookup(t => t.ClientId);
        var countFrom = await answers.TestsCountFrom();
        return kit => Stand(kit, Counting(kit.Id, tests[kit.ClientId], countFrom.TryGetValue(kit.ClientId, out var from) ? from : null), now);
    }

    /// <summary>She has put it on.</summary>
    /// <exception cref="ConflictException">One is on already.</exception>
    public Task PutOn(Guid kitId, string line, DateTime at, string by) =>
        reports.AddTest(new TestReport(Guid.CreateVersion7(), kitId, Guid.Empty, "skin", line, at, null, null, null, "", by));

    /// <summary>She says how the skin test came out. Clear is taken only after 48 full hours.</summary>
    /// <exception cref="ConflictException">It cannot be taken; the message says why.</exception>
    public async Task ReportSkin(Kit kit, TestReport test, bool clear, string note, byte[]? photo = null)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        if (clear && now < test.AppliedAt.AddHours(Holds.SkinTestHours))
        {
            throw new ConflictException($"The 48 hours are not over yet. Watch the place a little longer; if anything shows, report it at once.");
        }

        await reports.FinishTest(test.Id, clear ? "clear" : "reacted", note, now);
        if (!clear)
        {
            await Reaction(kit, "the skin test reacted");
        }

        await Keep(test.Id, photo, now);
    }

    /// <summary>She says how the strand test came out; damage stops the kit.</summary>
    public async Task ReportStrand(Kit kit, string line, string result, double? minutes, string note, string by, byte[]? photo = null)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var id = Guid.CreateVersion7();
        await reports.AddTest(new TestReport(id, kit.Id, kit.ClientId, "strand", line, now, now, result, minutes, note, by));
        if (result == "damaged")
        {
            await kits.StopAll(kit.ClientId, "SA6: the strand test damaged the hair", now);
        }

        await Keep(id, photo, now);
    }

    /// <summary>It burns or itches: kept as a reaction, and every open kit of this client stops at once (OU7).</summary>
    public async Task Burns(Kit kit, string line, string by)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var open = (await reports.TestsOf(kit.Id)).FirstOrDefault(t => t is { Kind: "skin", Result: null } && t.Line == line);
        if (open is not null)
        {
            await reports.FinishTest(open.Id, "reacted", "reported with the stop button", now);
        }
        else
        {
            await reports.AddTest(new TestReport(Guid.CreateVersion7(), kit.Id, kit.ClientId, "skin", line, now, now, "reacted", null, "reported with the stop button", by));
        }

        await Reaction(kit, "a reaction was reported");
    }

    private Task Keep(Guid testId, byte[]? photo, DateTime now) => photo is null ? Task.CompletedTask : reports.AddPhoto(testId, photo, now);

    private Task Reaction(Kit kit, string what) => kits.StopAll(kit.ClientId, $"SA1: {what}", clock.GetUtcNow().UtcDateTime);

    private static SkinStand Skin(string line, IReadOnlyList<TestReport> tests, int counts, DateTime now)
    {
        if (tests.FirstOrDefault(t => t.Result == "reacted") is { } reaction)
        {
            return new SkinStand(line, SkinStage.Reacted, reaction, null);
        }

        var newest = tests.Where(t => t.Kind == "skin" && t.Line == line).OrderByDescending(t => t.AppliedAt).FirstOrDefault();
        var ready = newest?.AppliedAt.AddHours(Holds.SkinTestHours);
        var stage = newest switch
        {
            null => SkinStage.NotYet,
            { Result: null } => now < ready ? SkinStage.Watching : SkinStage.ToReport,
            _ when now > newest.AppliedAt.AddDays(counts) => SkinStage.Expired,
            _ => SkinStage.Clear,
        };
        return new SkinStand(line, stage, newest, ready);
    }
}
