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

    /// <summary>The same once it was really posted: arrival is counted from that day, and no test comes before it.</summary>
    /// <param name="day">The day it went.</param>
    /// <param name="transitDays">Days on the way, 0 to <see cref="Values.MostTransitDays"/>.</param>
    public KitDays PostedOn(DateOnly day, int transitDays)
    {
        var arrives = day.AddDays(transitDays);
        var skin = SkinOn > arrives ? SkinOn.Value : arrives;
        var strand = StrandOn >= skin.AddDays(Values.SkinTestDays) ? StrandOn.Value : skin.AddDays(Values.SkinTestDays);
        return this with { PostOn = day, ArrivesOn = arrives, SkinOn = SkinOn is null ? null : skin, StrandOn = StrandOn is null ? null : strand };
    }

    /// <summary>The same on another colour day.</summary>
    /// <param name="colour">The new colour day.</param>
    /// <param name="posted">Whether it is on its way already; then only what the client does moves.</param>
    /// <param name="skinOn">The day a skin test that still counts was put on; null: none was.</param>
    /// <param name="skinDays">For how many days a clear skin test counts, 14 to 200.</param>
    /// <param name="wish">The post to the client, with today; what is wished for is not read.</param>
    /// <returns>The days; null where tests and post do not fit before that day, or the kit would be too old.</returns>
    public KitDays? Moved(DateOnly colour, bool posted, DateOnly? skinOn, int skinDays, PlanWish wish)
    {
        var due = DueOn?.AddDays(colour.DayNumber - (ColourOn ?? colour).DayNumber);
        if (!posted)
        {
            var plan = PlanBack.From(wish with { WantBy = colour.AddDays(Values.SettleDays) }, []);
            return plan.Feasible ? new KitDays(plan.FillOn, plan.PostOn, plan.ArrivesOn, plan.SkinTestOn, plan.StrandTestOn, plan.ColourOn, due) : null;
        }

        if (colour < wish.Today || FillOn?.AddDays(Values.ShelfLifeDays) < colour)
        {
            return null;
        }

        // A test that will be too old on the day is done again.
        if (skinOn is { } on && on.AddDays(skinDays) >= colour)
        {
            return this with { ColourOn = colour, DueOn = due };
        }

        var first = ArrivesOn > wish.Today ? ArrivesOn.Value : wish.Today;
        var oldest = colour.AddDays(-Values.SkinTestValidDays);
        var skin = first > oldest ? first : oldest;
        var strand = skin.AddDays(Values.SkinTestDays);
        return strand.AddDays(Values.StrandTestDays) > colour ? null : this with { SkinOn = skin, StrandOn = strand, ColourOn = colour, DueOn = due };
    }

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
