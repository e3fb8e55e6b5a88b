using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>Where the one gate of a kit stands.</summary>
public enum GateState
{
    /// <summary>Its main sachets may not be mixed yet, or not any longer.</summary>
    Locked,

    /// <summary>They may be mixed.</summary>
    Open,

    /// <summary>Colour is on the head: steps, rinse clock and words for an emergency stay, whatever else happens. A stop then means: rinse now.</summary>
    SeeThrough,

    /// <summary>Nothing of it may be used, now or later.</summary>
    Stopped,
}

/// <summary>Why a kit is locked.</summary>
public enum LockKind
{
    /// <summary>It has not been posted.</summary>
    InStudio,

    /// <summary>It was reported, or a newer one took its place.</summary>
    Over,

    /// <summary>A skin test is wanted, is being watched, waits for her word, or is too old (SA5).</summary>
    Skin,

    /// <summary>A strand test is wanted (SA12).</summary>
    Strand,

    /// <summary>The strand came out otherwise than right, and the colourist has not yet looked at it (SA12).</summary>
    Colourist,
}

/// <summary>Where one line's skin test stands.</summary>
public enum SkinStage
{
    /// <summary>Not put on yet.</summary>
    NotYet,

    /// <summary>On, and not yet its full hours.</summary>
    Watching,

    /// <summary>Its hours are over: to be reported.</summary>
    ToReport,

    /// <summary>Clear and still counting.</summary>
    Clear,

    /// <summary>Clear once, but too long ago.</summary>
    Expired,

    /// <summary>Reported as a reaction, then withdrawn by the client: the colourist speaks to the client and accepts the test, or a new one is done.</summary>
    Withdrawn,

    /// <summary>Reacted.</summary>
    Reacted,
}

/// <summary>One line's skin test.</summary>
/// <param name="Line">Id of the line.</param>
/// <param name="Stage">Where it stands.</param>
/// <param name="On">The event of putting it on.</param>
/// <param name="ReadyAt">When its hours are over, UTC.</param>
public sealed record SkinStand(string Line, SkinStage Stage, SafetyEvent? On = null, DateTime? ReadyAt = null);

/// <summary>All tests of one kit at one moment.</summary>
/// <param name="Skin">One for each line of the kit.</param>
/// <param name="StrandNeeded">Whether a strand test locks the kit.</param>
/// <param name="Strand">The strand test that was said last; null: none.</param>
/// <param name="Released">Whether no strand came out otherwise than right, or the colourist has looked at it since.</param>
public sealed record TestStand(IReadOnlyList<SkinStand> Skin, bool StrandNeeded, SafetyEvent? Strand, bool Released)
{
    /// <summary>Whether every line's skin test is clear and counts.</summary>
    public bool SkinClear => Skin.All(s => s.Stage == SkinStage.Clear);

    /// <summary>Whether the strand test lets it go on.</summary>
    public bool StrandClear => Strand is null ? !StrandNeeded : Strand.Result == StrandResult.Right && Released;

    /// <summary>How far she is, in one word.</summary>
    public TestsStand Far =>
        this switch
        {
            { SkinClear: true, StrandClear: true } => TestsStand.Clear,
            { SkinClear: true } => TestsStand.StrandToCome,
            _ when Skin.Any(s => s.Stage is SkinStage.NotYet or SkinStage.Expired) => TestsStand.None,
            _ when Skin.Any(s => s.Stage == SkinStage.ToReport) => TestsStand.ToReport,
            _ => TestsStand.Watching,
        };
}

/// <summary>What the gate needs to know of a kit.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Lines">Ids of the lines in it: each wants its own skin test.</param>
/// <param name="StrandNeeded">Whether a strand test was asked for when it was signed.</param>
/// <param name="SkinDays">For how many days a clear skin test counts, 14 to 200.</param>
/// <param name="Step">Where it is.</param>
/// <param name="SignedAt">When it was signed, UTC.</param>
/// <param name="PostedAt">When it was posted, UTC; null: not yet.</param>
/// <param name="StoppedAt">When it was stopped, UTC; null: never. A kit that was stopped stays so, also when it was put away.</param>
/// <param name="TransitDays">Days the post takes to her, 0 to 14.</param>
public sealed record GateKit(
    Guid Id,
    IReadOnlyList<string> Lines,
    bool StrandNeeded,
    int SkinDays,
    KitStep Step,
    DateTime SignedAt,
    DateTime? PostedAt,
    DateTime? StoppedAt,
    int TransitDays
)
{
    /// <summary>When the studio cancelled it, UTC; null: it did not.</summary>
    public DateTime? CancelledAt { get; init; }
}

/// <summary>Why a kit is locked.</summary>
/// <param name="Kind">What sort.</param>
/// <param name="Why">The reason.</param>
public sealed record Lock(LockKind Kind, Reason Why);

/// <summary>What the gate says.</summary>
/// <param name="State">Where it stands.</param>
/// <param name="Stops">The stops that hold for this kit.</param>
/// <param name="Locks">What locks it.</param>
/// <param name="Tests">Its tests.</param>
/// <param name="OnHead">Whether colour is on the head.</param>
/// <param name="RinseNow">Colour is on the head, and a stop holds, the kit is cancelled, or the gate had never opened: it comes off now.</param>
public sealed record Verdict(GateState State, IReadOnlyList<Reason> Stops, IReadOnlyList<Lock> Locks, TestStand Tests, bool OnHead, bool RinseNow)
{
    /// <summary>Whether the steps of the guide are shown.</summary>
    public bool ShowsSteps => State is GateState.Open or GateState.SeeThrough;

    /// <summary>Whether the kit may be packed, posted, agreed on: no stop holds.</summary>
    public bool MayGoOn => Stops.Count == 0;

    /// <summary>Whether a lock of a sort holds.</summary>
    public bool Has(LockKind kind) => Locks.Any(l => l.Kind == kind);
}

/// <summary>
/// The one gate. A pure function from what was said of a client, a kit and its run to whether its main sachets may be mixed.
/// Every page, handler, message and calendar asks it and nothing else (docs/safety.md).
/// </summary>
public static class Gate
{
    /// <summary>The verdict at a moment.</summary>
    /// <param name="record">Everything that was said of the client.</param>
    /// <param name="kit">The kit.</param>
    /// <param name="run">What happened on the head.</param>
    /// <param name="now">The moment, UTC.</param>
    /// <param name="today">The day it is in the studio.</param>
    public static Verdict Of(SafetyRecord record, GateKit kit, RunState run, DateTime now, DateOnly today)
    {
        var stops = Stops(record, kit, today);
        var tests = Tests(record, kit, now);
        var locks = Locks(kit, tests);
        bool onHead = run.OnHead(now);
        var state =
            onHead ? GateState.SeeThrough
            : stops.Count > 0 ? GateState.Stopped
            // What she has begun while it was open is not shut in her hands by a test that grows too old.
            : run.InHand(now) ? GateState.SeeThrough
            : locks.Count > 0 ? GateState.Locked
            : GateState.Open;
        bool rinse = onHead && (stops.Count > 0 || run.Unopened || kit.CancelledAt <= now);
        return new Verdict(state, stops, locks, tests, onHead, rinse);
    }

    private static List<Reason> Stops(SafetyRecord record, GateKit kit, DateOnly today)
    {
        // An allergy stops every kit; any other stop those that were signed before it was said.
        var found = record.Stops.Where(e => e.ForGood || e.Kit == kit.Id || (e.Kit is null && e.SaidAt >= kit.SignedAt)).Select(e => e.Why).ToList();
        if (record.Youngest is { } born && Consultation.Age(born, today) is var age && age < Values.YoungestAge && found.All(b => b.Rule != "SA2"))
        {
            found.Add(Safety.Stops.TooYoung(age));
        }

        if (kit.StoppedAt is not null && found.Count == 0)
        {
            found.Add(new KitWasStopped());
        }

        return found;
    }

    /// <summary>How the tests of a kit stand at a moment.</summary>
    public static TestStand Tests(SafetyRecord record, GateKit kit, DateTime now)
    {
        var strands = record.Events.Where(e => e.Kind == SafetyKind.Strand && e.Kit == kit.Id).ToList();
        var bad = strands.LastOrDefault(s => s.Result != StrandResult.Right);
        bool released =
            bad is null
            || record.Events.Any(e =>
                e.Kind == SafetyKind.Released && e.Kit == kit.Id && e.SaidAt > bad.SaidAt && (e.Of is null || strands.Exists(s => s.Id == e.Of))
            );
        return new TestStand([.. kit.Lines.Select(line => Skin(record, kit, line, now))], kit.StrandNeeded, strands.LastOrDefault(), released);
    }

    /// <summary>A line's skin test: the one put on last, of this kit or of another whose result is known; after something new only one put on since (SA5).</summary>
    private static SkinStand Skin(SafetyRecord record, GateKit kit, string line, DateTime now)
    {
        if (record.Allergy is { } allergy)
        {
            return new SkinStand(line, SkinStage.Reacted, allergy);
        }

        var from = record.TestsCountFrom ?? DateTime.MinValue;
        SafetyEvent? Clear(SafetyEvent on) =>
            record.Events.FirstOrDefault(e => e.Kind == SafetyKind.SkinClear && e.Of == on.Id && e.SaidAt >= on.At.AddHours(Values.SkinTestHours));
        var newest = record
            .Events.Where(e =>
                e.Kind == SafetyKind.SkinOn && e.Line == line && e.At >= from && !record.IsCorrected(e.Id) && (e.Kit == kit.Id || Clear(e) is not null)
            )
            .MaxBy(e => e.At);
        if (newest is null)
        {
            return new SkinStand(line, SkinStage.NotYet);
        }

        var ready = newest.At.AddHours(Values.SkinTestHours);
        var stage =
            record.IsWithdrawn(newest.Id) ? SkinStage.Withdrawn
            : Clear(newest) is null ? (now < ready ? SkinStage.Watching : SkinStage.ToReport)
            : now > newest.At.AddDays(kit.SkinDays) ? SkinStage.Expired
            : SkinStage.Clear;
        return new SkinStand(line, stage, newest, ready);
    }

    private static List<Lock> Locks(GateKit kit, TestStand tests)
    {
        var found = new List<Lock>();
        if (kit.Step is KitStep.Reported or KitStep.Closed)
        {
            found.Add(new Lock(LockKind.Over, new KitIsOver(Reported: kit.Step == KitStep.Reported, Cancelled: kit.CancelledAt is not null)));
        }
        else if (kit.PostedAt is null || kit.Step is KitStep.Signed or KitStep.Packed)
        {
            found.Add(new Lock(LockKind.InStudio, new KitNotPosted()));
        }

        foreach (var skin in tests.Skin.Where(s => s.Stage != SkinStage.Clear))
        {
            found.Add(new Lock(LockKind.Skin, new SkinLocks(skin.Stage, kit.SkinDays)));
        }

        if (!tests.StrandClear)
        {
            bool waits = tests.Strand is not null && !tests.Released;
            found.Add(new Lock(waits ? LockKind.Colourist : LockKind.Strand, new StrandLocks(waits, Never: tests.Strand is null)));
        }

        return found;
    }
}
