using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>What the dates are planned from.</summary>
/// <param name="Today">Today; filling is possible today, posting is not.</param>
/// <param name="WantBy">The day she wants to look right.</param>
/// <param name="PostDays">Days on which post leaves for her address, at least one.</param>
/// <param name="TransitDays">Calendar days on the way, 0 to <see cref="Values.MostTransitDays"/>.</param>
public sealed record PlanWish(DateOnly Today, DateOnly WantBy, IReadOnlyList<DayOfWeek> PostDays, int TransitDays)
{
    /// <summary>Days on which post leaves where nobody says otherwise.</summary>
    public static IReadOnlyList<DayOfWeek> UsualPostDays { get; } =
    [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday];

    /// <summary>Days from today to colour day; none where nothing is planned or the wish cannot be met.</summary>
    public static int DaysAhead(PlanWish? wish, KitPlan? plan) => wish is not null && plan?.ColourOn is { } on ? on.DayNumber - wish.Today.DayNumber : 0;
}

/// <summary>The dates of one kit; all but the earliest are null when the wish cannot be met.</summary>
/// <param name="Feasible">Whether it can.</param>
/// <param name="FillOn">Packing day, the day before posting.</param>
/// <param name="PostOn">Posting day.</param>
/// <param name="ArrivesOn">Arrival.</param>
/// <param name="SkinTestOn">Skin test.</param>
/// <param name="StrandTestOn">Strand test, when the skin test has come clear.</param>
/// <param name="ColourOn">Colour day.</param>
/// <param name="EarliestWantBy">The first day that could be wished for.</param>
public sealed record KitPlan(
    bool Feasible,
    DateOnly? FillOn,
    DateOnly? PostOn,
    DateOnly? ArrivesOn,
    DateOnly? SkinTestOn,
    DateOnly? StrandTestOn,
    DateOnly? ColourOn,
    DateOnly? EarliestWantBy
);

/// <summary>Plans back from the wished day (clock, tables).</summary>
public static class PlanBack
{
    /// <summary>How far ahead a first possible day is looked for.</summary>
    private const int Horizon = 120;

    /// <summary>The dates, with a later post day in reserve where there is one.</summary>
    public static KitPlan From(PlanWish wish, ICollection<Reason> why)
    {
        DateOnly? earliest = Enumerable.Range(0, Horizon).Select(wish.Today.AddDays).Where(d => PostingsFor(d, wish).Any()).Cast<DateOnly?>().FirstOrDefault();
        var postings = PostingsFor(wish.WantBy, wish).OrderDescending().ToList();
        if (postings.Count == 0)
        {
            why.Add(new TestsDoNotFit(wish.WantBy, earliest));
            return new KitPlan(false, null, null, null, null, null, null, earliest);
        }

        var post = postings.Count > 1 ? postings[1] : postings[0];
        var (arrives, skin, strand, colour) = Dates(post, wish.WantBy, wish);
        why.Add(new Planned(post, arrives, strand, colour));
        why.Add(postings.Count > 1 ? new PostInReserve(postings[0]) : new NoPostInReserve());
        return new KitPlan(true, post.AddDays(-1), post, arrives, skin, strand, colour, earliest);
    }

    private static IEnumerable<DateOnly> PostingsFor(DateOnly wantBy, PlanWish wish)
    {
        var colour = wantBy.AddDays(-Values.SettleDays);
        for (var post = wish.Today.AddDays(1); post < colour; post = post.AddDays(1))
        {
            var (_, _, strand, _) = Dates(post, wantBy, wish);
            if (wish.PostDays.Contains(post.DayOfWeek) && strand.AddDays(Values.StrandTestDays) <= colour && post.AddDays(-1 + Values.ShelfLifeDays) >= colour)
            {
                yield return post;
            }
        }
    }

    private static (DateOnly Arrives, DateOnly Skin, DateOnly Strand, DateOnly Colour) Dates(DateOnly post, DateOnly wantBy, PlanWish wish)
    {
        var colour = wantBy.AddDays(-Values.SettleDays);
        var arrives = post.AddDays(wish.TransitDays);
        var oldestValid = colour.AddDays(-Values.SkinTestValidDays);
        var skin = arrives > oldestValid ? arrives : oldestValid;
        return (arrives, skin, skin.AddDays(Values.SkinTestDays), colour);
    }
}
