using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core.Safety;

/// <summary>Why something was not taken down.</summary>
/// <param name="Field">The field it is about, as the page names it; empty: none.</param>
/// <param name="Says">What is wrong.</param>
/// <param name="From">Earliest moment that would be taken, UTC; null where it is not about time.</param>
/// <param name="To">Latest moment that would be taken, UTC.</param>
public sealed record Refusal(string Field, Saying Says, DateTime? From = null, DateTime? To = null);

/// <summary>What is appended to the record by a word; nothing where it is refused.</summary>
/// <param name="Events">The events, in order.</param>
/// <param name="Refused">Why not; null where it was taken.</param>
public sealed record Taken(IReadOnlyList<SafetyEvent> Events, Refusal? Refused = null)
{
    /// <summary>It changes nothing: it was said before.</summary>
    public static Taken Before { get; } = new([]);

    /// <summary>Refused.</summary>
    internal static Taken Not(string field, RefusedFor why, DateTime? from = null, DateTime? to = null) =>
        new([], new Refusal(field, new NotTaken(why), from, to));
}

/// <summary>Who says it, when, and under which id.</summary>
/// <param name="Id">The id of the word; sent twice it is one.</param>
/// <param name="Now">When it is taken down, UTC.</param>
/// <param name="By">client, or the name of a person of the studio.</param>
public readonly record struct Speaker(Guid Id, DateTime Now, string By)
{
    /// <summary>What a client says of herself.</summary>
    public const string Client = "client";
}

/// <summary>What may be said of a kit, and what is written down of it. What hurts is never refused; what opens a kit is checked against the record as it stands.</summary>
public static partial class KitLife
{
    /// <summary>A phone's clock may be ahead by this much.</summary>
    public static readonly TimeSpan Ahead = TimeSpan.FromMinutes(2);

    /// <summary>A test said to be put on within this long counts as put on now, also where the post was quicker than planned (ours).</summary>
    public static readonly TimeSpan JustNow = TimeSpan.FromMinutes(15);

    /// <summary>Shortest reason of a correction, characters.</summary>
    public const int ShortestReason = 10;

    /// <summary>Longest that is kept of what somebody says, characters; what is longer is cut, not refused.</summary>
    public const int LongestSays = 2000;

    /// <summary>It burned, itched, swelled or went red (OU7). It is taken from anyone, at any time, in any state of the kit.</summary>
    public static Taken React(Speaker who, Guid? kit, string says, string? line = null, Guid? of = null) =>
        new([new SafetyEvent(who.Id, SafetyKind.Reaction, kit, who.Now, who.Now, who.By, Cut(says)) { Line = line, Of = of }]);

    /// <summary>A skin test was put on.</summary>
    /// <param name="record">What was said before.</param>
    /// <param name="kit">The kit whose sachet it is.</param>
    /// <param name="line">Its line.</param>
    /// <param name="at">When, UTC, by the client's phone.</param>
    /// <param name="who">Who says it.</param>
    public static Taken PutOn(SafetyRecord record, GateKit kit, string line, DateTime at, Speaker who)
    {
        if (record.Heard(who.Id, SafetyEvent.WordOf(SafetyKind.SkinOn, line: line)))
        {
            return Taken.Before;
        }

        if (!kit.Lines.Contains(line))
        {
            return Taken.Not("line", RefusedFor.NoSuchTest);
        }

        if (kit.PostedAt is not { } posted || kit.Step != KitStep.Posted)
        {
            return Taken.Not("", kit.PostedAt is null ? RefusedFor.NotPostedYet : RefusedFor.KitIsOver);
        }

        var stand = Gate.Tests(record, kit, who.Now).Skin.First(s => s.Line == line);
        if (stand.Stage is not (SkinStage.NotYet or SkinStage.Expired or SkinStage.Withdrawn))
        {
            return Taken.Not("", RefusedFor.TestStarted);
        }

        // What is said of the past must fit the post; what is put on at this moment is in her hands, however quick the post was.
        var there = posted.Date.AddDays(kit.TransitDays);
        var from =
            there < posted ? posted
            : there > who.Now - JustNow ? Later(posted, who.Now - JustNow)
            : there;
        // What is typed holds whole minutes: the minute of posting counts as after it.
        return at < from.AddMinutes(-1) || at > who.Now + Ahead
            ? Taken.Not("at", at < from ? RefusedFor.BeforeItWasThere : RefusedFor.InTheFuture, from, who.Now)
            : new([new SafetyEvent(who.Id, SafetyKind.SkinOn, kit.Id, at > who.Now ? who.Now : Later(at, posted), who.Now, who.By) { Line = line }]);
    }

    /// <summary>A skin test is said to be clear; only after its full hours.</summary>
    public static Taken SkinClear(SafetyRecord record, GateKit kit, Guid on, Speaker who)
    {
        if (record.Heard(who.Id, SafetyEvent.WordOf(SafetyKind.SkinClear, on)))
        {
            return Taken.Before;
        }

        if (record.Allergy is not null)
        {
            return Taken.Not("", RefusedFor.ReactionStands);
        }

        if (record.Events.FirstOrDefault(e => e.Id == on && e.Kind == SafetyKind.SkinOn && e.Kit == kit.Id) is not { } test)
        {
            return Taken.Not("", RefusedFor.NoSuchTest);
        }

        if (record.Events.Any(e => e.Kind == SafetyKind.SkinClear && e.Of == on))
        {
            return Taken.Not("", RefusedFor.ReportedAlready);
        }

        if (record.IsWithdrawn(on))
        {
            return Taken.Not("", RefusedFor.ColouristAcceptsTest);
        }

        var ready = test.At.AddHours(Values.SkinTestHours);
        return who.Now < ready
            ? Taken.Not("", RefusedFor.HoursNotOver, ready)
            : new([new SafetyEvent(who.Id, SafetyKind.SkinClear, kit.Id, who.Now, who.Now, who.By) { Line = test.Line, Of = on }]);
    }

    /// <summary>How a strand came out. What was said last counts; what is not right is always taken.</summary>
    public static Taken Strand(SafetyRecord record, GateKit kit, StrandResult result, double? minutes, Speaker who)
    {
        if (record.Heard(who.Id, SafetyEvent.WordOf(SafetyKind.Strand, result: result)))
        {
            return Taken.Before;
        }

        if (result == StrandResult.Right)
        {
            var tests = Gate.Tests(record, kit, who.Now);
            if (kit.Step != KitStep.Posted || !tests.SkinClear)
            {
                return Taken.Not("", RefusedFor.SkinComesFirst);
            }

            // The strand is mixed once the skin is clear; it cannot have been on longer than since then.
            var clear = record.Events.Where(e => e.Kind == SafetyKind.SkinClear && tests.Skin.Any(s => s.On!.Id == e.Of)).Max(e => e.SaidAt);
            var from = clear.AddMinutes(minutes ?? Values.StrandTestLeastMinutes);
            if (who.Now < from)
            {
                return Taken.Not("minutes", RefusedFor.StrandTooShort, from);
            }
        }

        var said = new SafetyEvent(who.Id, SafetyKind.Strand, kit.Id, who.Now, who.Now, who.By)
        {
            Result = result,
            Minutes = minutes,
            Line = kit.Lines[0],
        };
        return result != StrandResult.Damaged
            ? new([said])
            : new([
                said,
                new SafetyEvent(Next(who.Id), SafetyKind.Stop, null, who.Now, who.Now, who.By, Language.English.Says(new StrandDamaged()))
                {
                    Rule = "SA6",
                    Source = $"strand:{who.Id:N}",
                },
            ]);
    }

    /// <summary>The colourist has looked at a strand that was not right and lets it go on, with another time where one is agreed.</summary>
    public static Taken Release(SafetyRecord record, GateKit kit, double? minutes, string says, Speaker who)
    {
        var last = record.Events.LastOrDefault(e => e.Kind == SafetyKind.Strand && e.Kit == kit.Id);
        return last is null ? Taken.Not("", RefusedFor.NoStrand)
            : last.Result == StrandResult.Damaged || kit.StoppedAt is not null ? Taken.Not("", RefusedFor.KitIsStopped)
            : new([new SafetyEvent(who.Id, SafetyKind.Released, kit.Id, who.Now, who.Now, who.By, Cut(says)) { Minutes = minutes, Of = last.Id }]);
    }

    /// <summary>A client reported a reaction to a skin test and withdrew it: the colourist has spoken to the client and accepts the test after all.</summary>
    /// <param name="record">What was said before.</param>
    /// <param name="kit">The kit.</param>
    /// <param name="test">The event of putting the test on.</param>
    /// <param name="says">What the client said, 10 to 2000 characters.</param>
    /// <param name="who">The colourist.</param>
    public static Taken AcceptSkin(SafetyRecord record, GateKit kit, Guid test, string says, Speaker who) =>
        record.Allergy is not null ? Taken.Not("", RefusedFor.ReactionStands)
        : record.Events.All(e => e.Id != test || e.Kind != SafetyKind.SkinOn || e.Kit != kit.Id) || !record.IsWithdrawn(test)
            ? Taken.Not("", RefusedFor.NothingToCorrect)
        : says.Trim().Length < ShortestReason ? Taken.Not("reason", RefusedFor.ReasonMissing)
        : new([new SafetyEvent(who.Id, SafetyKind.Released, kit.Id, who.Now, who.Now, who.By, Cut(says.Trim())) { Of = test }]);

    /// <summary>Stops that were found, and whether something is new that asks for new tests.</summary>
    /// <param name="stops">The stops; each is written down.</param>
    /// <param name="news">Whether skin tests count only from now on (SA5).</param>
    /// <param name="source">Where they were found, such as answers:12.</param>
    /// <param name="who">Who says it.</param>
    public static Taken Found(IEnumerable<Because> stops, bool news, string source, Speaker who)
    {
        var events = stops
            .Select((b, i) => new SafetyEvent(Next(who.Id, i), SafetyKind.Stop, null, who.Now, who.Now, who.By, Cut(b.Says)) { Rule = b.Rule, Source = source })
            .ToList();
        if (news)
        {
            events.Add(new SafetyEvent(Next(who.Id, 100), SafetyKind.News, null, who.Now, who.Now, who.By) { Source = source });
        }

        return new(events);
    }

    /// <summary>How long a client can take a tap back as a mistake; later only a colourist corrects it, with a reason (ours).</summary>
    public static readonly TimeSpan MistakeWithin = TimeSpan.FromMinutes(10);

    /// <summary>A reaction that the client told and takes back within minutes, because nothing is wrong and it was tapped by mistake. Both stay in the record.</summary>
    /// <param name="record">What was said before.</param>
    /// <param name="what">The reaction.</param>
    /// <param name="who">The client.</param>
    public static Taken Mistaken(SafetyRecord record, Guid what, Speaker who) =>
        record.Heard(who.Id, SafetyEvent.WordOf(SafetyKind.Doubted, what, says: ByMistake)) ? Taken.Before
        : record.Events.FirstOrDefault(e => e.Id == what) is not { Kind: SafetyKind.Reaction, By: Speaker.Client } told || record.IsCorrected(what)
            ? Taken.Not("", RefusedFor.NothingToCorrect)
        : !MayTakeBack(told, who.Now) ? Taken.Not("", RefusedFor.TooLateForMistake)
        : new([
            new SafetyEvent(who.Id, SafetyKind.Doubted, null, who.Now, who.Now, who.By, ByMistake) { Of = what },
            new SafetyEvent(Next(who.Id), SafetyKind.Corrected, null, who.Now, who.Now, who.By, ByMistake) { Of = what },
        ]);

    /// <summary>Whether a client can still take a reaction back.</summary>
    public static bool MayTakeBack(SafetyEvent told, DateTime now) =>
        told is { Kind: SafetyKind.Reaction, By: Speaker.Client } && now - told.SaidAt <= MistakeWithin;

    private static string ByMistake => Language.English.Says(new TakenBack());

    /// <summary>First step of a correction: why an earlier stop was a mistake. It opens nothing.</summary>
    public static Taken Doubt(SafetyRecord record, Guid what, string reason, Speaker who) =>
        record.Events.FirstOrDefault(e => e.Id == what) is not { Stops: true } || record.IsCorrected(what) ? Taken.Not("", RefusedFor.NothingToCorrect)
        : reason.Trim().Length < ShortestReason ? Taken.Not("reason", RefusedFor.ReasonMissing)
        : new([new SafetyEvent(who.Id, SafetyKind.Doubted, null, who.Now, who.Now, who.By, Cut(reason.Trim())) { Of = what }]);

    /// <summary>Second step: what was doubted counts no longer for a kit that is signed from now on. A kit that was stopped stays stopped.</summary>
    /// <param name="record">What was said before.</param>
    /// <param name="what">What was doubted.</param>
    /// <param name="who">Who corrects it.</param>
    /// <param name="more">Whether the studio has more than one colourist; then nobody corrects alone.</param>
    public static Taken Correct(SafetyRecord record, Guid what, Speaker who, bool more = false) =>
        record.Doubt(what) is not { } doubt ? Taken.Not("", RefusedFor.DoubtComesFirst)
        : more && doubt.By == who.By ? Taken.Not("", RefusedFor.AnotherConfirms)
        : new([new SafetyEvent(who.Id, SafetyKind.Corrected, null, who.Now, who.Now, who.By, doubt.Says) { Of = what }]);

    private static DateTime Later(DateTime a, DateTime b) => a > b ? a : b;

    private static string Cut(string says) => says.Length > LongestSays ? says[..LongestSays] : says;

    /// <summary>Ids that follow from one, so that a word sent twice makes the same events.</summary>
    /// <param name="id">The id they follow from.</param>
    /// <param name="by">Which of them, 0 to 250.</param>
    public static Guid Next(Guid id, int by = 0)
    {
        byte[] bytes = id.ToByteArray();
        bytes[15] ^= (byte)(by + 1);
        bytes[14] ^= 0x5A;
        return new Guid(bytes);
    }
}
