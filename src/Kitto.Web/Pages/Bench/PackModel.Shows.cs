using Kitto.Core.Packing;
using Kitto.Web.Guides;

namespace Kitto.Web.Pages.Bench;

/// <summary>What the page shows beside the pour.</summary>
public sealed partial class PackModel
{
    /// <summary>The last thing told that can be undone; null where there is none.</summary>
    public PackingEvent? LastTold =>
        At.Told.LastOrDefault(e =>
            At.Stand.Find(e.Vessel)?.Last is { } last && last.Id == e.Id && e.Kind is not (PackingKind.Dropped or PackingKind.Undone or PackingKind.Moved)
        );

    /// <summary>What is in the box, as the guide lists it.</summary>
    public IReadOnlyList<string> Box => Core.Guide.For(At.Case, At.Prescription, At.Shelf, Words.Studio)?.Box ?? [];

    /// <summary>What the contents of a vessel cost; null where a price is not known.</summary>
    public decimal? CostOf(VesselStand vessel)
    {
        decimal sum = 0;
        foreach (var pour in vessel.Parts.SelectMany(p => p.Pours))
        {
            if (pour.Tube is not { } id || Used.GetValueOrDefault(id)?.Cost(pour.Grams) is not { } cost)
            {
                return null;
            }

            sum += cost;
        }

        return Math.Round(sum, 2);
    }
}
