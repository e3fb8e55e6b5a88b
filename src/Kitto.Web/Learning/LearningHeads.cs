using System.Text.Json;
using System.Text.Json.Nodes;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Learning;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Shelves;
using Kitto.Web.Sittings;

namespace Kitto.Web.Learning;

/// <summary>What heads are begun for.</summary>
public enum Purpose
{
    /// <summary>To learn.</summary>
    Practice,

    /// <summary>To be allowed to sign alone.</summary>
    Leave,

    /// <summary>For a round, in which everybody has the same.</summary>
    Round,
}

/// <summary>Begins heads to learn on and has them judged, by the lines and the rules of the studio at hand.</summary>
public sealed class LearningHeads(StudyRecord record, Studios studios, CurrentShelf shelves, TimeProvider clock)
{
    /// <summary>Heads of one round.</summary>
    public const int OfARound = 10;

    /// <summary>How often a head of the past is looked for: the shelf may have changed since it was signed.</summary>
    private const int PastTries = 5;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>The head somebody has begun for a purpose, or a fresh one.</summary>
    /// <param name="person">Who learns.</param>
    /// <param name="purpose">What for.</param>
    /// <param name="kind">The kind that is wished for; null: what comes next.</param>
    /// <param name="round">The round, for a head of one.</param>
    /// <returns>Null where none can be drawn, or the round is through.</returns>
    public async Task<Guid?> Begin(Guid person, Purpose purpose, StudyKind? kind = null, StudyRound? round = null)
    {
        string named = Json.Name(purpose);
        if (await record.Open(person, named, round?.Id) is { } open)
        {
            if (Read(open) is not null)
            {
                return open.Id;
            }

            // The shelf lacks what it takes by now: it cannot be answered any more.
            await record.Drop(open.Id);
        }

        var studio = (await studios.Get())!;
        var house = RecordFacts.House(studio, shelves.Now);
        var done = await record.Signed(person);
        int place = round is null ? done.Count(d => d.Purpose == named) : (await record.OfRound(round.Id)).Count(d => d.PersonId == person);
        if (purpose == Purpose.Round && place >= OfARound)
        {
            return null;
        }

        long seed = Random.Shared.NextInt64(1, 1L << 40);
        var (head, whose) = purpose switch
        {
            Purpose.Round => (StudyHeads.At(round!.Seed, place, shelves.Now, house), (Guid?)null),
            // Which kind comes when is nobody's to know: it goes by the person and is not written down.
            Purpose.Leave => (StudyHeads.Of(seed, StudyHeads.KindAt(BitConverter.ToInt64(person.ToByteArray()), place), shelves.Now, house), null),
            _ when kind == StudyKind.Past => await Past(person, seed, house),
            _ => (StudyHeads.Of(seed, kind ?? await Next(person, done, studio), shelves.Now, house), null),
        };
        if (head is null)
        {
            return null;
        }

        await record.Begin(new StoredHead(Guid.CreateVersion7(), person, named, place, round?.Id, Json.Name(head.Kind), head.Seed, whose, head.Document, Now));
        return (await record.Open(person, named, round?.Id))?.Id;
    }

    private async Task<StudyKind> Next(Guid person, IReadOnlyList<SignedHead> done, Studio studio) =>
        Practice.Next(
            await Stands(person, studio),
            [.. done.Where(d => d.Purpose == Json.Name(Purpose.Practice)).Select(d => (Kind(d.Kind), d.Safe))],
            studio.Today(Now)
        );

    /// <summary>How well somebody knows each rule.</summary>
    public async Task<IReadOnlyList<RuleStand>> Stands(Guid person, Studio studio) =>
        Practice.Of((await record.Shown(person)).Select(s => new RuleEvidence(s.Rule, s.WasRight, studio.Today(s.ShownAt))));

    /// <summary>A head of the studio's past, with names, words and pictures taken off.</summary>
    private async Task<(StudyHead? Head, Guid? Whose)> Past(Guid person, long seed, JsonObject house)
    {
        for (int i = 0; i < PastTries; i++)
        {
            if (await record.Past(person, seed + i) is not { } past)
            {
                break;
            }

            if (StudyHead.Read(seed, StudyKind.Past, Nameless(past.CaseDocument, house), shelves.Now) is { Best.Formulas.Count: <= 1 } head)
            {
                return (head, past.ClientId);
            }
        }

        return (null, null);
    }

    /// <summary>A case as it was signed, without what names anybody or was written in somebody's own words, in the house as it is now.</summary>
    public static string Nameless(string document, JsonObject house)
    {
        var c = JsonNode.Parse(document)!.AsObject();
        foreach (string own in (string[])["plan", "formula", "painting", "house", "line"])
        {
            c.Remove(own);
        }

        if (c["client"] is JsonObject client)
        {
            if (client["conditions"] is JsonArray conditions)
            {
                client["conditions"] = new JsonArray([
                    .. conditions.Select(x => (string?)x).Where(x => x is not null && Conditions.Known.Contains(x)).Select(x => JsonValue.Create(x)),
                ]);
            }

            // A test's line may be off the shelf by now.
            client.Remove("skinTest");
        }

        c["house"] = house.DeepClone();
        return c.ToJsonString(Json.Options);
    }

    /// <summary>A stored head: as it was signed, or by the shelf as it is now; null where that lacks what it takes.</summary>
    public StudyHead? Read(StoredHead stored) =>
        stored.Best is { } best
            ? StudyHead.Kept(stored.Seed, Kind(stored.Kind), stored.Document, best)
            : StudyHead.Read(stored.Seed, Kind(stored.Kind), stored.Document, shelves.Now);

    /// <summary>Judges what was typed and keeps it.</summary>
    /// <returns>Whether it was signed now; false: it was signed before.</returns>
    public Task<bool> Sign(StoredHead stored, StudyHead head, Trial trial, FormValues typed)
    {
        var verdict = TrialJudge.Of(head, trial, shelves.Now);
        return record.Sign(
            stored,
            new HeadVerdict(
                JsonSerializer.Serialize(TrialForm.Keep(typed), Json.Options),
                JsonSerializer.Serialize(verdict, Json.Options),
                Json.Write(head.Best),
                verdict.Score,
                verdict.Safe,
                verdict.Findings is [var first, ..] ? first.Rule : null,
                [.. verdict.Rules.Select(r => (r.Rule, r.Right))]
            ),
            Now
        );
    }

    /// <summary>A kind by the name it is kept under.</summary>
    public static StudyKind Kind(string name) => Json.Named<StudyKind>(name) ?? StudyKind.OwnLevel;

    /// <summary>Where somebody stands on the way to signing alone.</summary>
    public async Task<LeaveStand> Leave(Guid person) => Leave(await record.Signed(person));

    /// <summary>The same of the heads somebody has signed, oldest first.</summary>
    public static LeaveStand Leave(IEnumerable<SignedHead> signed) =>
        LeaveStand.Of(signed.Where(h => h.Purpose == Json.Name(Purpose.Leave)).Select(h => h.Safe));
}

/// <summary>Heads that count, judged safe in a row.</summary>
/// <param name="Heads">How many were signed.</param>
/// <param name="Now">In a row up to the last.</param>
/// <param name="Most">The longest row there was.</param>
public sealed record LeaveStand(int Heads, int Now, int Most)
{
    /// <summary>Counts a row of heads, oldest first.</summary>
    public static LeaveStand Of(IEnumerable<bool> safe) =>
        safe.Aggregate(new LeaveStand(0, 0, 0), (s, ok) => new LeaveStand(s.Heads + 1, ok ? s.Now + 1 : 0, Math.Max(s.Most, ok ? s.Now + 1 : 0)));

    /// <summary>Whether somebody signs alone in a house that asks for so many; never where it asks for none, because nobody who learns signs there.</summary>
    public bool Given(int? asked) => asked is { } heads && Most >= heads;
}
