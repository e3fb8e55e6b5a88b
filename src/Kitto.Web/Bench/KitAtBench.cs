using System.Collections.Concurrent;
using System.Text.Json;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Packing;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Shelves;

namespace Kitto.Web.Bench;

/// <summary>A kit with what is weighed for it and what was told of it.</summary>
/// <param name="Kit">The kit.</param>
/// <param name="Signed">What was signed.</param>
/// <param name="Prescription">The prescription.</param>
/// <param name="Case">The case it was made from.</param>
/// <param name="Shelf">The lines it was made from.</param>
/// <param name="Plan">What is weighed.</param>
/// <param name="Told">What was told, in order.</param>
/// <param name="Stand">Where it stands.</param>
public sealed record KitAtBench(
    Kit Kit,
    SignedPrescription Signed,
    Prescription Prescription,
    Case Case,
    Shelf Shelf,
    PackingPlan Plan,
    IReadOnlyList<PackingEvent> Told,
    PackingStand Stand
)
{
    /// <summary>How many lines were told of a vessel.</summary>
    public int Seen(string vessel) => Told.Count(e => e.Vessel == vessel);

    /// <summary>Tubes that something of this kit came from.</summary>
    public IEnumerable<Guid> Tubes => Told.Select(e => e.Tube).OfType<Guid>().Distinct();

    /// <summary>The tubes of a vessel: its own, and through a blend the blend's.</summary>
    public IEnumerable<Guid> TubesOf(VesselStand vessel) =>
        vessel
            .Parts.SelectMany(p => p.Part.From is { } blend && Stand.Find(blend) is { } bowl ? bowl.Parts.SelectMany(b => b.Pours) : p.Pours)
            .Select(p => p.Tube)
            .OfType<Guid>()
            .Distinct();

    /// <summary>What was poured, held against what was prescribed.</summary>
    public Judgement Judge() => Judgement.Of(Case, Prescription, Shelf, Stand);

    /// <summary>What was signed, with the grams that were really weighed, where the bench weighed it.</summary>
    public static Prescription AsWeighed(SignedPrescription signed) =>
        Core.Packing.AsWeighed.Of(
            Json.ReadPrescription(signed.Document),
            signed.Weighed is null ? null : JsonSerializer.Deserialize<WeighedKit>(signed.Weighed, Json.Options)
        );

    /// <summary>What is kept of a stand when it is packed.</summary>
    public PackedKit Packed(PackingStand stand)
    {
        var judged = Judgement.Of(Case, Prescription, Shelf, stand);
        var q = Prescription.Quantity!;
        return new PackedKit(
            JsonSerializer.Serialize(judged.Weighed, Json.Options),
            judged.WantsYes,
            (decimal)Math.Round(judged.Weighed.Sent.Value, 2),
            stand.Vessels.Count(v => v.Vessel.Sent),
            Signed.Service,
            1 - judged.RunsOut.Value,
            q.UseLowGrams.Value,
            q.UseGrams.Value,
            q.UseHighGrams.Value,
            q.ResidueGrams.Value,
            Prescription.Forecast.DeltaE,
            Prescription.Clock?.PaintMinutes.Value ?? 0,
            Prescription.Clock?.RinseAtMinutes.Value ?? 0
        );
    }
}

/// <summary>What the next kit's goods are guessed from.</summary>
/// <param name="Quantity">How much was sent.</param>
/// <param name="Hands">Whose hands put it on.</param>
/// <param name="Quantile">The share of kits that were not to run out.</param>
public sealed record LastKit(Core.Quantities Quantity, Core.Quantity.Hands Hands, double Quantile);

/// <summary>Opens kits at the bench.</summary>
public sealed class BenchKits(Kits kits, BenchRecord record, CurrentShelf shelves)
{
    private readonly ConcurrentDictionary<Guid, IReadOnlyList<Need>> needs = [];
    private readonly ConcurrentDictionary<Guid, LastKit> lasts = [];

    /// <summary>A kit; null where there is none of that id, or it is no kit.</summary>
    public async Task<KitAtBench?> Open(Guid id) => await kits.Get(id) is { } kit ? await Open(kit) : null;

    /// <summary>The same of a kit that was read already.</summary>
    public async Task<KitAtBench?> Open(Kit kit)
    {
        if (await kits.Frozen(kit.PrescriptionId) is not { } signed)
        {
            return null;
        }

        var (p, c, shelf) = (Json.ReadPrescription(signed.Document), CaseReader.Kept(signed.CaseDocument), await shelves.Kept(signed.ShelfHash));
        var plan = PackingPlan.Of(p, shelf, c.House.ScaleStep);
        var told = await record.Of(kit.Id);
        return new KitAtBench(kit, signed, p, c, shelf, plan, told, PackingStand.Of(plan, told));
    }

    /// <summary>What each kit that is signed and not packed still takes, with whose it is.</summary>
    public async Task<IReadOnlyList<(Guid Client, IReadOnlyList<Need> Takes)>> Waiting()
    {
        var all = new List<(Guid, IReadOnlyList<Need>)>();
        foreach (var kit in await record.Waiting())
        {
            // What was poured for it is out of its tube already.
            all.Add((kit.ClientId, kit.Begun && await Open(kit.Id) is { } begun ? StockNeeds.StillTakes(begun.Stand) : await Takes(kit.PrescriptionId)));
        }

        return all;
    }

    /// <summary>What is known of a kit that was used: neither its prescription nor what was weighed changes any more, so it is read once. Null: it is no kit.</summary>
    public async Task<LastKit?> Last(Guid kit, Guid prescription)
    {
        if (!lasts.TryGetValue(kit, out var last))
        {
            if (await kits.Frozen(prescription) is not { } frozen || KitAtBench.AsWeighed(frozen).Quantity is not { } quantity)
            {
                return null;
            }

            var read = CaseReader.Kept(frozen.CaseDocument);
            last = new LastKit(quantity, read.Reading.Hands, read.House.Quantile);
            if (lasts.Count < 10_000)
            {
                lasts[kit] = last;
            }
        }

        return last;
    }

    /// <summary>What a signed kit takes as prescribed. A prescription never changes, so it is reckoned once.</summary>
    public async Task<IReadOnlyList<Need>> Takes(Guid prescription)
    {
        if (!needs.TryGetValue(prescription, out var takes))
        {
            if (await kits.Frozen(prescription) is not { } signed)
            {
                return [];
            }

            var c = CaseReader.Kept(signed.CaseDocument);
            takes = StockNeeds.Takes(PackingPlan.Of(Json.ReadPrescription(signed.Document), await shelves.Kept(signed.ShelfHash), c.House.ScaleStep));
            if (needs.Count < 10_000)
            {
                needs[prescription] = takes;
            }
        }

        return takes;
    }
}
