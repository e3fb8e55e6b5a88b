namespace Kitto.Core.Packing;

/// <summary>Where a part of a vessel stands.</summary>
public enum PartState
{
    /// <summary>Nothing is in.</summary>
    Waits,

    /// <summary>Something is in, not yet enough.</summary>
    Under,

    /// <summary>Too much is in, and nobody has decided what becomes of it (BE3).</summary>
    Over,

    /// <summary>Right.</summary>
    Right,

    /// <summary>Not right, and taken as it is.</summary>
    Taken,
}

/// <summary>A part as it stands.</summary>
/// <param name="Part">The part.</param>
/// <param name="Poured">Grams in the vessel.</param>
/// <param name="Target">Grams it wants now, after what was really poured before it (BE2).</param>
/// <param name="Band">How far off is right.</param>
/// <param name="State">Where it stands.</param>
/// <param name="Pours">The pours that are in it, each with its grams and its tube.</param>
public sealed record PartStand(VesselPart Part, decimal Poured, double Target, double Band, PartState State, IReadOnlyList<PackingEvent> Pours)
{
    /// <summary>Grams still to pour, to the hundredth; nothing where it is done.</summary>
    public double Rest => Done ? 0 : Math.Max(0, Math.Round(Target - (double)Poured, 2));

    /// <summary>Whether nothing is left to do for it.</summary>
    public bool Done => State is PartState.Right or PartState.Taken;

    /// <summary>Grams of it that go on the head.</summary>
    public double OnHead => Math.Max(0, (double)Poured - Part.Kept.Value);
}

/// <summary>A vessel as it stands.</summary>
/// <param name="Vessel">The vessel.</param>
/// <param name="Parts">Its parts.</param>
/// <param name="Labelled">Whether it is closed, with its label on.</param>
/// <param name="Excused">Why it is not weighed and labelled here; null: it is, or will be.</param>
/// <param name="Lost">Grams that were in it and were lost.</param>
/// <param name="Last">The last line that holds of it; null where there is none.</param>
public sealed record VesselStand(Vessel Vessel, IReadOnlyList<PartStand> Parts, bool Labelled, string? Excused, decimal Lost, PackingEvent? Last)
{
    /// <summary>Whether everything is in.</summary>
    public bool Filled => Parts.All(p => p.Done);

    /// <summary>Whether nothing is left to do for it.</summary>
    public bool Done => Excused is not null || (Filled && (Labelled || !Vessel.Sent));

    /// <summary>Grams in it.</summary>
    public decimal Grams => Parts.Sum(p => p.Poured);

    /// <summary>The part that is poured now: one to decide on, then the first that is not enough.</summary>
    public PartStand? Now => Excused is not null ? null : Parts.FirstOrDefault(p => p.State == PartState.Over) ?? Parts.FirstOrDefault(p => !p.Done);
}

/// <summary>A kit as it stands at the bench: the fold of everything that was told of it. The same lines always give the same stand.</summary>
/// <param name="Plan">What is weighed.</param>
/// <param name="Vessels">Every vessel, in the order of the plan.</param>
/// <param name="Factors">The factor on what is prescribed, by group.</param>
/// <param name="Agreed">The yes to what differs; null where nobody has said it since the last change.</param>
/// <param name="Tubes">What was poured out of each tube, and what of it was lost.</param>
public sealed record PackingStand(
    PackingPlan Plan,
    IReadOnlyList<VesselStand> Vessels,
    IReadOnlyDictionary<string, double> Factors,
    PackingEvent? Agreed,
    IReadOnlyDictionary<Guid, TubeUse> Tubes
)
{
    /// <summary>The vessel that is worked on: the first with something in it that is not done, else the first that is not done; null where all are.</summary>
    public VesselStand? Now =>
        Vessels.FirstOrDefault(v => v.Parts.Any(p => p.State == PartState.Over))
        ?? Vessels.FirstOrDefault(v => !v.Done && v.Grams > 0 && Ready(v))
        ?? Vessels.FirstOrDefault(v => !v.Done && Ready(v))
        ?? Vessels.FirstOrDefault(v => !v.Done);

    /// <summary>Whether every vessel is weighed and labelled, or a reason says why not.</summary>
    public bool Done => Vessels.All(v => v.Done);

    /// <summary>Whether anything was told.</summary>
    public bool Begun => Vessels.Any(v => v.Last is not null);

    /// <summary>The vessel of that key.</summary>
    public VesselStand? Find(string key) => Vessels.FirstOrDefault(v => v.Vessel.Key == key);

    /// <summary>Whether what a vessel is filled of is there: its blend is stirred before it is divided.</summary>
    public bool Ready(VesselStand v) => v.Vessel.Parts.All(p => p.From is null || Find(p.From) is not { } blend || blend.Filled || blend.Excused is not null);

    /// <summary>Grams of a blend that are in its bowl still.</summary>
    public decimal LeftOf(string blend) =>
        Find(blend) is { } bowl ? bowl.Grams - Vessels.SelectMany(v => v.Parts).Where(p => p.Part.From == blend).Sum(p => p.Poured) - LostOf(blend) : 0;

    /// <summary>Grams of a blend that were in a sachet that was dropped.</summary>
    private decimal LostOf(string blend) => Vessels.Where(v => v.Vessel.Parts.Any(p => p.From == blend)).Sum(v => v.Lost);

    /// <summary>What is left in the bowls of the blends, by the tubes it came from: thrown away when the kit is packed.</summary>
    public IReadOnlyDictionary<Guid, decimal> LeftInBowls() =>
        Vessels
            .Where(v => v.Vessel.IsBlend)
            .SelectMany(v => PackingFold.ByTube(v.Parts.SelectMany(p => p.Pours), Math.Max(0, LeftOf(v.Vessel.Key))))
            .GroupBy(x => x.Tube)
            .ToDictionary(g => g.Key, g => g.Sum(x => x.Grams));

    /// <summary>Folds the record of a kit.</summary>
    /// <param name="plan">What is weighed.</param>
    /// <param name="events">Everything told, in the order it was told.</param>
    public static PackingStand Of(PackingPlan plan, IEnumerable<PackingEvent> events)
    {
        var fold = new PackingFold(plan);
        foreach (var said in PackingFold.Holding([.. events]))
        {
            fold.Take(said);
        }

        return fold.Stand();
    }
}
