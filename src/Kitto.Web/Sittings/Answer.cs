using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Web.Drawing;

namespace Kitto.Web.Sittings;

/// <summary>What the answer part of a page shows: one prescription, or what is missing for one.</summary>
public sealed record Answer(Case? Case, Prescription? Prescription, IReadOnlyList<FieldError> Errors, Shelf Shelf)
{
    /// <summary>The zone whose strand is shown.</summary>
    public Zone Look { get; init; } = Zone.FrontHairline;

    /// <summary>Whether drawings can be moved and mixes taken: not on what is signed.</summary>
    public bool Moves { get; init; }

    /// <summary>Whether the mix was made by hand.</summary>
    public bool ByHand => Case?.Formula is { HandMade: true };

    /// <summary>A strength that was set by hand, as the form posts it behind the parts; empty where the rules decide.</summary>
    public string OwnStrength => Case?.Formula is { HandMade: true, Developer: { } v } ? FormattableString.Invariant($" @{v.Value:0.##}") : "";

    /// <summary>Strengths the line takes.</summary>
    public IReadOnlyList<Volume> Strengths => Line is null ? [] : [.. Line.Developers.Select(d => d.Volume).OrderBy(v => v.Value)];

    /// <summary>The number whose why is open: what it is about; null where none is.</summary>
    public Topic? Why { get; init; }

    /// <summary>Whose answer it is, where a page has her record.</summary>
    public ClientRecord? Record { get; init; }

    /// <summary>A mix in the tray.</summary>
    /// <param name="Parts">Its parts.</param>
    /// <param name="DeltaE">From the wish.</param>
    /// <param name="Hex">What it comes to.</param>
    /// <param name="Why">Why, or why not.</param>
    public sealed record Mix(IReadOnlyList<MixPart> Parts, double DeltaE, string Hex, string Why)
    {
        /// <summary>In one line, as the form posts it.</summary>
        public string Written => BowlDrawing.Written(Parts);
    }

    /// <summary>The mix that was taken, then the others worth considering.</summary>
    public IReadOnlyList<Mix> Mixes
    {
        get
        {
            if (Prescription is not { Formulas.Count: > 0, Forecast.DeltaE: { } far } p || (p.Forecast.Roots ?? p.Forecast.Lengths) is not { } look)
            {
                return [];
            }

            return
            [
                new Mix(p.Formulas[0].Mix(), far, look.Hex, ByHand ? "made by hand" : "taken"),
                .. p
                    .Alternatives.Where(a => a.Hex is not null)
                    .Take(4)
                    .Select(a => new Mix([.. a.Parts.Select(x => new MixPart(x.Shade, x.Share))], a.DeltaE, a.Hex!, a.Why ?? "")),
            ];
        }
    }

    /// <summary>The wish, for a screen.</summary>
    public string WishHex => Prescription?.Forecast.Target?.Hex ?? "#8c8c8c";

    /// <summary>Shades on the shelf that could join the mix.</summary>
    public IEnumerable<string> Addable => Line is null ? [] : Line.InStock.Select(s => s.Code).Except(Prescription!.Formulas[0].Parts.Select(p => p.Shade));

    /// <summary>What signing is called for who looks at it; null: by what it does.</summary>
    public string? SignAs { get; init; }

    /// <summary>What signing does with this answer.</summary>
    public string SignWords =>
        Prescription?.Decision switch
        {
            Decision.Stop => "Record the stop",
            _ when SignAs is not null => SignAs,
            Decision.Salon => "Sign for the salon",
            _ => "Sign off",
        };

    public Line? Line => Prescription?.Formulas.Count > 0 ? Shelf.Find(Prescription.Formulas[0].Line) : null;

    /// <summary>Shades and strengths of this answer that the shelf has less of than it takes.</summary>
    public IReadOnlyList<Because> Ends { get; init; } = [];

    /// <summary>What asks for her attention before anything else is read.</summary>
    public IReadOnlyList<Because> Attention => [.. Ends, .. (Prescription?.Because ?? []).Where(b => b.About == Topic.Attention)];

    /// <summary>What she has said yes to in so many words, by what it is about.</summary>
    public IReadOnlyList<string> Confirmed { get; init; } = [];

    /// <summary>What she still has to say yes to before this is signed.</summary>
    public IReadOnlyList<Confirmation> Unconfirmed => [.. (Prescription?.Confirm ?? []).Where(x => !Confirmed.Contains(x.What))];

    /// <summary>What concerns this mix and this person.</summary>
    public IEnumerable<Because> Reasons =>
        (Prescription?.Because ?? []).Where(b => !Cautions.EverydayRules.Contains(b.Rule) && b.About != Topic.Attention).OrderBy(b => b.About);

    /// <summary>What other levels would have sent, reckoned by Core.</summary>
    public IReadOnlyList<OrderRisk> Instead => Prescription?.Quantity is { } q ? OrderRisk.Instead(q, Belief) : [];

    /// <summary>What a second pack of the same would come to.</summary>
    public OrderRisk? TwoPacks => Prescription?.Quantity is { } q ? OrderRisk.Of(q.BaseGrams, Belief, q.ResidueGrams, q.SendGrams * 2) : null;

    private HandFactor Belief => HandFactor.Learned(Prescription!.Decision == Decision.Salon ? Hands.Trained : Case!.Reading.Hands);

    public IEnumerable<Because> SaidAlways => (Prescription?.Because ?? []).Where(b => Cautions.EverydayRules.Contains(b.Rule));
}
