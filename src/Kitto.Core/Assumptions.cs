using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>What nobody said: how much the answer would move if it were otherwise, reckoned by changing it.</summary>
internal static class Assumptions
{
    /// <summary>Grams that move by more than this part are asked for before signing.</summary>
    public const double Grams = 0.1;

    /// <summary>A colour that moves by more than this is asked for before signing, dE00.</summary>
    public const double Colour = 1;

    /// <summary>The facts a case can leave out, by path, and what each might be instead.</summary>
    public static readonly IReadOnlyList<(string Path, Func<Hair, IEnumerable<Hair>> Otherwise)> Facts =
    [
        (CaseFields.HairTexture.Path, h => [h with { Texture = Texture.Fine }, h with { Texture = Texture.Coarse }]),
        (CaseFields.HairDensity.Path, h => [h with { Density = Density.Low }, h with { Density = Density.High }]),
        (CaseFields.HairPorosity.Path, h => [h with { Porosity = Porosity.Low }, h with { Porosity = Porosity.High }]),
        (CaseFields.HairLengthCm.Path, h => [h with { LengthCm = h.LengthCm * 2 / 3 }, h with { LengthCm = h.LengthCm * 5 / 3 }]),
        (CaseFields.LengthsLevel.Path, h => [Lengths(h, -1), Lengths(h, 1)]),
        (CaseFields.LengthsTone.Path, h => [h with { Lengths = h.Lengths with { Tone = new Tone(Family.G) } }]),
    ];

    /// <summary>The answer with what was assumed, and what of it the colourist says yes to.</summary>
    public static Prescription Judge(Case c, Shelf shelf, Prescription p)
    {
        var asked = new List<Confirmation>();
        foreach (var (path, otherwise) in Facts.Where(f => c.Assumed.Contains(f.Path)))
        {
            var others = otherwise(c.Reading.Hair).Where(h => Fits(h, c.Reading)).Select(h => Prescriber.Reckon(With(c, h, path), shelf)).ToList();
            double grams = others.Select(o => Moved(o.Quantity?.SendGrams.Value, p.Quantity?.SendGrams.Value)).DefaultIfEmpty(0).Max();
            double colour = others.Select(o => Apart(p.Forecast, o.Forecast)).DefaultIfEmpty(0).Max();
            if (grams > Grams || colour > Colour)
            {
                asked.Add(new Confirmation(path, c.House.Language.Says(new TakenFor(path, grams, colour, ByGrams: grams > Grams))));
            }
        }

        return p with
        {
            Assumed = c.Assumed,
            Confirm = [.. p.Confirm, .. asked],
        };
    }

    private static Case With(Case c, Hair hair, string path) =>
        c with
        {
            Assumed = [],
            Reading = c.Reading with
            {
                Hair = hair,
                Zones =
                    path == CaseFields.HairTexture.Path
                        ? [.. c.Reading.Zones.Select(z => z with { Texture = z.Texture == c.Reading.Hair.Texture ? hair.Texture : z.Texture })]
                        : c.Reading.Zones,
            },
        };

    private static bool Fits(Hair hair, Reading reading) =>
        reading.Included.All(z => z.Read.Regrowth.Centimetres <= hair.LengthCm + 1e-9) && hair.LengthCm is >= 1 and <= 120;

    private static Hair Lengths(Hair h, double by) => h with { Lengths = h.Lengths with { Level = Level.Of(Math.Clamp(h.Lengths.Level.Value + by, 1, 12)) } };

    private static double Moved(double? one, double? two) =>
        one is { } a && two is > 0 and { } b ? Math.Abs(a / b - 1)
        : one is null && two is null ? 0
        : 1;

    private static double Apart(Forecast one, Forecast two) =>
        new[] { (one.Roots, two.Roots), (one.Lengths, two.Lengths) }.Select(x => x is ({ } a, { } b) ? Difference2000.Between(Lab(a), Lab(b)) : 0).Max();

    private static Lab Lab(Look look) => new(look.Lab[0], look.Lab[1], look.Lab[2]);
}
