using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>A tangent of a spot's effective absorption under one light: no mix absorbs more, for it is concave in the shares (<see cref="MixBounds"/>).</summary>
/// <param name="Level">Without dye.</param>
/// <param name="White">By the dye on white fibres.</param>
/// <param name="Pigmented">By the dye on pigmented ones.</param>
internal readonly record struct Tangent(double Level, Pigment White, Pigment Pigmented)
{
    /// <summary>The tangent at a mix.</summary>
    /// <param name="spot">The spot.</param>
    /// <param name="shares">Each band's share of the light.</param>
    /// <param name="onWhite">What the mix deposits on white fibres, uptake not counted.</param>
    /// <param name="onPigment">And on pigmented ones.</param>
    public static Tangent Of(Spot spot, double[] shares, in Pigment onWhite, in Pigment onPigment)
    {
        double grey = spot.Grey.Value, passed = 0;
        double[] white = Fibre.Absorbed(Fibre.Keratin, onWhite * spot.WhiteTakes), pigmented = Fibre.Absorbed(spot.Pigment, onPigment * spot.PigmentTakes);
        Pigment byWhite = default, byPigment = default;
        for (int band = 0; band < Light.Bands; band++)
        {
            var dye = Fibre.DyeAt(band) * (-Fibre.Law / 2);
            if (grey > 0)
            {
                double x = Math.Sqrt(white[band]), w = grey * shares[band] * Math.Exp(-Fibre.Law * x);
                passed += w;
                byWhite += dye * (w / x);
            }

            if (grey < 1)
            {
                double y = Math.Sqrt(pigmented[band]), p = (1 - grey) * shares[band] * Math.Exp(-Fibre.Law * y);
                passed += p;
                byPigment += dye * (p / y);
            }
        }

        double q = -Math.Log(passed) / Fibre.Law, chain = -2 * q / (Fibre.Law * passed);
        (byWhite, byPigment) = (byWhite * (chain * spot.WhiteTakes), byPigment * (chain * spot.PigmentTakes));
        return new Tangent(q * q - byWhite.Dot(onWhite) - byPigment.Dot(onPigment), byWhite, byPigment);
    }

    /// <summary>The most that a mix absorbs with so much dye on both kinds of fibre.</summary>
    public double At(in Pigment white, in Pigment pigmented) => Level + White.Dot(white) + Pigmented.Dot(pigmented);
}
