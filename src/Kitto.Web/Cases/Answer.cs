using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Web.Cases;

/// <summary>What the answer part of a page shows: one prescription, or what is missing for one.</summary>
public sealed record Answer(Case? Case, Prescription? Prescription, IReadOnlyList<FieldError> Errors, Shelf Shelf)
{
    private static readonly string[] Order = ["stop", "salon", "developer", "shade", "lengths", "tests", "service", "plan", "bench", "caution"];

    /// <summary>Said on every kit: kept apart, so that what is particular to this head is seen.</summary>
    private static readonly HashSet<string> Always = ["SA22", "SA23", "SA10"];

    /// <summary>What signing does with this answer.</summary>
    public string SignWords => Prescription?.Decision switch { Decision.Stop => "Record the stop", Decision.Salon => "Sign for the salon", _ => "Sign off" };

    public Line? Line => Prescription?.Formulas.Count > 0 ? Shelf.Find(Prescription.Formulas[0].Line) : null;

    /// <summary>What concerns the mix and the person; amount and clock have their reasons beside their drawings, the ratio (DV9) stands in the formula.</summary>
    public IEnumerable<Because> Reasons => (Prescription?.Because ?? []).Where(b => !Always.Contains(b.Rule) && b.Rule != "DV9" && b.About is not ("quantity" or "clock")).OrderBy(b => Array.IndexOf(Order, b.About));

    public IEnumerable<Because> About(string what) => (Prescription?.Because ?? []).Where(b => b.About == what);

    /// <summary>What other levels would have sent, reckoned by Core.</summary>
    public IReadOnlyList<Mistakes> Instead => Prescription?.Quantity is { } q ? Mistakes.Instead(q, Belief) : [];

    /// <summary>What a second pack of the same would come to.</summary>
    public Mistakes? TwoPacks => Prescription?.Quantity is { } q ? Mistakes.Of(q.BaseGrams, Belief, q.ResidueGrams, q.SendGrams * 2) : null;

    private Factor Belief => Factor.Learned(Prescription!.Decision == Decision.Salon ? Hands.Trained : Case!.Reading.Hands);

    public IEnumerable<Because> SaidAlways => (Prescription?.Because ?? []).Where(b => Always.Contains(b.Rule));
}
