using Kitto.Core.Quantity;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Packing;

/// <summary>Everything that is weighed for a kit, in the order of the work: a formula's colour before its developer, what others are filled of before them.</summary>
/// <param name="Vessels">The vessels.</param>
/// <param name="Step">Step of the scale.</param>
public sealed record PackingPlan(IReadOnlyList<Vessel> Vessels, Grams Step)
{
    /// <summary>What is weighed for a signed prescription. Nothing is decided here: the grams are the prescription's.</summary>
    /// <param name="p">The prescription of a kit.</param>
    /// <param name="shelf">The lines it was made from.</param>
    /// <param name="step">Step of the scale.</param>
    public static PackingPlan Of(Prescription p, Shelf shelf, Grams step)
    {
        var vessels = new List<Vessel>();
        for (int at = 0; at < p.Formulas.Count; at++)
        {
            var formula = p.Formulas[at];
            vessels.AddRange(Of(p, at, shelf.Find(formula.Line), step, tests: p.Formulas.Take(at).All(f => f.Line != formula.Line)));
        }

        return new PackingPlan(vessels, step);
    }

    /// <summary>The vessel of that key.</summary>
    public Vessel? Find(string key) => Vessels.FirstOrDefault(v => v.Key == key);

    /// <summary>How far a filling may be from its target and is right: one step of the scale, or one part in a hundred (ours).</summary>
    public double Band(double target) => Math.Max(Step.Value, target * Values.FillingMargin);

    /// <summary>Whether a part is too small for the scale to weigh well (BE4).</summary>
    public bool TooSmall(VesselPart part) => part.Target(1) < Values.SmallestSteps * Step.Value - 1e-9;

    private static List<Vessel> Of(Prescription p, int at, Line? line, Grams step, bool tests)
    {
        var f = p.Formulas[at];
        var (shades, ratio) = (f.Mix(), f.Developer.Grams.Value / f.Parts.Sum(x => x.Grams.Value));
        double strandColour = p.Tests.StrandTestGrams.Value / (1 + ratio);
        string key = $"{at}:";
        Vessel Make(string name, VesselKind kind, string group, string pair, params VesselPart[] parts) =>
            new(key + name, kind, at, f.Line, key + group, pair, f.Use, parts);

        var colour = new List<Vessel>();
        string? blend = shades.Count > 1 ? key + "blend" : null;
        VesselPart Colour(Grams onHead, Grams kept, bool unopened = false) =>
            blend is null ? new VesselPart(shades[0].Shade, onHead, kept, Unopened: unopened) : new VesselPart(VesselPart.FromBlend, onHead, kept, blend);
        foreach (var pair in f.Pairs)
        {
            bool unopened = pair.ColourFillGrams.Value <= pair.ColourGrams.Value && line is not null;
            colour.Add(
                Make(
                    $"{pair.Name}:colour",
                    VesselKind.Colour,
                    pair.Name,
                    pair.Name,
                    Colour(pair.ColourGrams, pair.ColourFillGrams - pair.ColourGrams, unopened)
                )
            );
        }

        if (tests)
        {
            colour.Add(Make("skin", VesselKind.SkinTest, "skin", "", Colour(p.Tests.SkinTestGrams, Grams.Of(0))));
            colour.Add(Make("strand:colour", VesselKind.StrandColour, "strand", "", Colour(Grams.Of(strandColour).Tenths(), Grams.Of(0))));
        }

        var developer = new List<Vessel>();
        var strengths = f.Developer.Blend;
        string? mixed = strengths.Count > 1 ? key + "developer" : null;
        VesselPart Developer(Grams onHead, Grams kept) => new(mixed is null ? strengths[0].Volume.ToString() : VesselPart.FromBlend, onHead, kept, mixed);
        foreach (var pair in f.Pairs)
        {
            developer.Add(
                Make(
                    $"{pair.Name}:developer",
                    VesselKind.Developer,
                    pair.Name,
                    pair.Name,
                    Developer(pair.DeveloperGrams, pair.DeveloperFillGrams - pair.DeveloperGrams)
                )
            );
        }

        if (tests)
        {
            var rest = Grams.Of(Math.Round(p.Tests.StrandTestGrams.Value - Grams.Of(strandColour).Tenths().Value, 3));
            developer.Add(Make("strand:developer", VesselKind.StrandDeveloper, "strand", "", Developer(rest, Grams.Of(0))));
        }

        if (at == 0 && p.Tests.PreSoftenGrams.Value > 0)
        {
            developer.Add(Make("vial", VesselKind.Vial, "vial", "", Developer(p.Tests.PreSoftenGrams, Grams.Of(0))));
        }

        if (blend is not null)
        {
            // A formula signed before blends were written has one all the same: tests and sachets must hold the same.
            var stock =
                f.Stock ?? Stock.Of(shades, [.. colour.Select(v => new Portioned(v.Key, v.Fill))], step, Weigh.Keeps(line?.Thickness ?? Thickness.Cream));
            colour.Insert(
                0,
                Make(
                    "blend",
                    VesselKind.ColourBlend,
                    "blend",
                    "",
                    [.. stock.Weigh.OrderBy(w => w.Grams.Value).Select(w => new VesselPart(w.What, w.Grams, Grams.Of(0)))]
                )
            );
        }

        if (mixed is not null)
        {
            var shares = strengths.Select(s => new MixPart(s.Volume.ToString(), Share.Of(s.Grams.Value / f.Developer.Grams.Value))).ToList();
            var stock = Stock.Of(shares, [.. developer.Select(v => new Portioned(v.Key, v.Fill))], step, Weigh.Keeps(Thickness.Liquid));
            developer.Insert(
                0,
                Make(
                    "developer",
                    VesselKind.DeveloperBlend,
                    "developer",
                    "",
                    [.. stock.Weigh.OrderBy(w => w.Grams.Value).Select(w => new VesselPart(w.What, w.Grams, Grams.Of(0)))]
                )
            );
        }

        return [.. colour, .. developer];
    }
}
