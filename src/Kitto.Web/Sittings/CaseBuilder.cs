using System.Text.Json;
using System.Text.Json.Nodes;
using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Quantity;
using Kitto.Core.Safety;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Pictures;
using Kitto.Web.Shelves;

namespace Kitto.Web.Sittings;

/// <summary>Builds the whole case of the contract from a form and the record, so that nothing the record knows is typed again.</summary>
public sealed class CaseBuilder(
    Clients clients,
    Studios studios,
    Kits kits,
    Reports reports,
    SafetyRecords safety,
    Ways ways,
    Answers answers,
    PictureRecord pictures,
    CurrentShelf shelves,
    RecordCache kept,
    TimeProvider clock
)
{
    private readonly ShelfRead held = shelves.Read;

    /// <summary>The record as it stands now; read again only where something of it was written since.</summary>
    public async Task<ClientRecord?> Load(Guid clientId)
    {
        // Where it stands is asked before it is read: what is written in between is seen the next time.
        if (await clients.Stand(clientId) is not { } stand)
        {
            return null;
        }

        if (kept.Find(clientId, stand) is { } known)
        {
            return known with { Now = clock.GetUtcNow().UtcDateTime };
        }

        var record = await Read(clientId, stand);
        if (record is not null)
        {
            kept.Keep(clientId, stand, record);
        }

        return record;
    }

    private async Task<ClientRecord?> Read(Guid clientId, string stand)
    {
        if (await clients.Get(clientId) is not { } client)
        {
            return null;
        }

        var studio = await studios.Get() ?? throw new InvalidOperationException("There is no studio yet.");
        var destination = (await studios.Destinations()).Single(d => d.Id == client.DestinationId);
        var record = new ClientRecord(
            client,
            studio,
            destination,
            await clients.LatestReading(clientId),
            await kits.History(clientId),
            await reports.OutcomesOfClient(clientId),
            await safety.Of(clientId),
            await ways.Of(clientId),
            await answers.Of(clientId),
            await clients.Grown(clientId),
            await studios.Choices(),
            stand,
            clock.GetUtcNow().UtcDateTime
        );
        return record.Reported.Count == 0 ? record : record with { Seen = Seen(record, await pictures.Of(clientId)) };
    }

    private static Dictionary<Guid, SeenAfter> Seen(ClientRecord record, IReadOnlyList<HeadPicture> pictures)
    {
        var seen = new Dictionary<Guid, SeenAfter>();
        foreach (var kit in pictures.Any(p => p.KitId is not null) ? record.Reported : [])
        {
            if (SeenAfter.Of(pictures, kit, record.Studio) is { } found)
            {
                seen[kit.Outcome.KitId] = found;
            }
        }

        return seen;
    }

    /// <summary>The whole case document.</summary>
    /// <param name="values">What stands in the form.</param>
    /// <param name="record">What the record knows.</param>
    /// <param name="mix">A mix made by hand, as "5N:0.8 5AG:0.2", or with a strength "5N:1 @10"; empty: the search's.</param>
    public CaseDocument Document(FormValues values, ClientRecord record, string mix = "")
    {
        var c = values.Document();
        if (mix.Length > 0)
        {
            c.Put("formula", MixByHand(mix, values[CaseFields.GoalService.Path]).Root);
        }

        new RecordFacts(record, held.Shelf).Into(c, values);
        return c;
    }

    /// <summary>Parts as "5N:0.8", and a strength that is not the rules' own behind an @.</summary>
    private static CaseDocument MixByHand(string mix, string service)
    {
        var said = mix.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToLookup(part => part.StartsWith('@'));
        var formula = CaseDocument
            .Part("formula")
            .Set(CaseFields.FormulaUse, FormulaUses.First(Json.Named<Service>(service) ?? Service.RootTouchUp))
            .Set(CaseFields.FormulaHandMade, true)
            .Set(
                CaseFields.FormulaParts,
                said[false]
                    .Select(part => part.Split(':'))
                    .Select(part =>
                        CaseDocument
                            .EntryOf(CaseFields.FormulaParts)
                            .Set(CaseFields.PartShade, part[0])
                            .Set(CaseFields.PartShare, part.Length == 2 ? TypedNumber.Read(part[1]) : null)
                    )
            );
        // A strength that is no number is left for the reader to say.
        return said[true].FirstOrDefault()?[1..] is not { } strength ? formula
            : TypedNumber.Read(strength) is { } volume ? formula.Set(CaseFields.FormulaDeveloperVolume, volume)
            : formula.Put(CaseFields.FormulaDeveloperVolume.Path, strength);
    }

    /// <summary>Reads the case and prescribes; errors carry the form's own paths.</summary>
    public (Case? Case, Prescription? Prescription, IReadOnlyList<FieldError> Errors, string Document) Prescribe(
        FormValues values,
        ClientRecord record,
        string mix = ""
    )
    {
        string document = Document(values, record, mix).Text();
        var (found, errors) = CaseReader.Read(document, held.Shelf);
        var all = errors.ToList();
        if (DateOnly.TryParse(values[CaseFields.PlanWantBy.Path], out var wantBy) && wantBy <= record.Today)
        {
            all.Add(new FieldError(CaseFields.PlanWantBy.Path, "is not after today", $"from {record.Today.AddDays(1):d MMM yyyy}"));
        }

        return found is null || all.Count > 0 ? (null, null, all, document) : (found, kept.Answer(record.Client.Id, document, held.Shelf, found), [], document);
    }

    /// <summary>What is signed: the case, the answer, the guide, and all they need to be read again whatever becomes of held.Shelf, people and house.</summary>
    public Signing Freeze(ClientRecord record, Case c, Prescription p, string document, string signedBy, string? countersignedBy = null)
    {
        var guide = Guide.For(c, p, held.Shelf, Language.Of(record.Client.Language));
        return new Signing(
            Json.Name(p.Decision),
            Json.Name(c.Goal.Service),
            document,
            Json.Write(p),
            guide is null ? null : JsonSerializer.Serialize(guide, Json.Options),
            string.Join(',', p.Formulas.Select(f => f.Line).Distinct()),
            p.Tests.StrandTest == StrandState.Required,
            Holds.SkinDays(c.House, p.Formulas.Select(f => held.Shelf.Find(f.Line)!)),
            KitDays.Of(p),
            record.Stand,
            JsonSerializer.Serialize(
                new
                {
                    client = record.Client.Name,
                    signedBy,
                    countersignedBy,
                    studio = record.Studio.Name,
                    timeZone = record.Studio.TimeZone,
                    language = Language.Of(record.Client.Language).Tag,
                },
                Json.Options
            ),
            held.Stamp,
            CatalogueReader.Keep(held.Shelf)
        );
    }

    /// <summary>Kits that were applied and reported, newest first: what was sent, how it came out, what it tells of the hands.</summary>
    public static IReadOnlyList<(SignedPrescription Signed, Prescription Prescribed, OutcomeReport Outcome, UsedBefore Used)> Past(ClientRecord record) =>
        [
            .. from r in record.Reported
            let q = r.Prescribed.Quantity!
            select (
                r.Signed,
                r.Prescribed,
                r.Outcome,
                new UsedBefore(
                    q.BaseGrams,
                    q.SendGrams,
                    q.ResidueGrams,
                    Grams.Of(r.Outcome.LeftGrams),
                    r.Outcome.RanOut,
                    r.Outcome.Weighed,
                    RecordFacts.Days(record, r.Outcome.AppliedOn)
                )
            ),
        ];
}
