using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>Where a kit is on its way.</summary>
public enum KitStep
{
    /// <summary>Signed, to be packed.</summary>
    Signed,

    /// <summary>Packed, to be posted.</summary>
    Packed,

    /// <summary>On its way or with her.</summary>
    Posted,

    /// <summary>She has reported.</summary>
    Reported,

    /// <summary>Done.</summary>
    Closed,

    /// <summary>Stopped: nothing of it may be used.</summary>
    Stopped,
}

/// <summary>What a day asks for.</summary>
public enum DayKind
{
    /// <summary>The studio packs.</summary>
    Pack,

    /// <summary>The studio posts.</summary>
    Post,

    /// <summary>It should be there.</summary>
    Arrives,

    /// <summary>She puts the skin test on.</summary>
    SkinTest,

    /// <summary>She tests a strand.</summary>
    StrandTest,

    /// <summary>She colours.</summary>
    Colour,

    /// <summary>Her report is due.</summary>
    Report,

    /// <summary>Regrowth shows again: the next kit is due.</summary>
    NextKit,
}

/// <summary>The days of one kit as they were planned; null where there was no plan.</summary>
/// <param name="FillOn">Packing day.</param>
/// <param name="PostOn">Posting day.</param>
/// <param name="ArrivesOn">Arrival.</param>
/// <param name="SkinOn">Skin test.</param>
/// <param name="StrandOn">Strand test.</param>
/// <param name="ColourOn">Colour day.</param>
/// <param name="DueOn">Next kit.</param>
public sealed record KitDays(DateOnly? FillOn, DateOnly? PostOn, DateOnly? ArrivesOn, DateOnly? SkinOn, DateOnly? StrandOn, DateOnly? ColourOn, DateOnly? DueOn)
{
    /// <summary>No plan at all.</summary>
    public static KitDays None { get; } = new(null, null, null, null, null, null, null);

    /// <summary>The days of a prescription.</summary>
    public static KitDays Of(Prescription p) =>
        p.Plan is { Feasible: true } plan
            ? new KitDays(plan.FillOn, plan.PostOn, plan.ArrivesOn, plan.SkinTestOn, plan.StrandTestOn, plan.ColourOn, p.Next?.DueOn)
            : None;

    /// <summary>What is still to come of them, given where the kit is; nothing of a stopped one.</summary>
    /// <param name="step">Where it is.</param>
    /// <param name="newest">Whether no newer kit has been signed for her.</param>
    /// <param name="skinOn">Whether the skin test was put on.</param>
    /// <param name="strandDone">Whether the strand test was reported.</param>
    public IEnumerable<(DateOnly On, DayKind Kind)> Ahead(KitStep step, bool newest, bool skinOn = false, bool strandDone = false)
    {
        var all = new (DateOnly? On, DayKind Kind, bool Asked)[]
        {
            (FillOn, DayKind.Pack, step == KitStep.Signed),
            (PostOn, DayKind.Post, step is KitStep.Signed or KitStep.Packed),
            (ArrivesOn, DayKind.Arrives, step <= KitStep.Posted && !skinOn),
            (SkinOn, DayKind.SkinTest, step <= KitStep.Posted && !skinOn),
            (StrandOn, DayKind.StrandTest, step <= KitStep.Posted && !strandDone),
            (ColourOn, DayKind.Colour, step <= KitStep.Posted),
            (ColourOn?.AddDays(Values.ReportDays), DayKind.Report, step <= KitStep.Posted),
            (DueOn, DayKind.NextKit, newest && step != KitStep.Stopped),
        };
        return all.Where(d => d is { On: not null, Asked: true }).Select(d => (d.On!.Value, d.Kind));
    }
}
