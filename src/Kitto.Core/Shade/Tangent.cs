using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>A tangent of a spot's effective absorption under one light: no mix absorbs more, for it is concave in the shares (<see cref="MixBounds"/>).</summary>
/// <param name="Level">Without dye.</param>
/// <param name="White">By the dye on white fibres.</param>
/// <param name="Pigmented">By the dye on pigmented ones.</param>
internal readonly record struct Tangent(double Level, Pigment White, Pigment Pigmented)
{
    private static readonly Pigment[] Dyes = [.. Enumerable.Range(0, Light.Bands).Select(b => Fibre.DyeAt(b) * (-Fibre.Law / 2))];

    /// <summary>Each band's share of the light in X, Y and Z.</summary>
    private static readonly double[][] Shares = [.. new[] { Light.X, Light.Y, Light.Z }.Select(c => c.Select(l => l / c.Sum()).ToArray())];

    /// <summary>The tangents at a mix in X, Y and Z.</summary>
    /// <param name="spot">The spot.</param>
    /// <param name="grey">Its share of white fibres, or one for those alone.</param>
    /// <param name="onWhite">What the mix deposits on white fibres, uptake not counted.</param>
    /// <param name="onPigment">And on pigmented ones.</param>
    public static Tangent[] Of(Spot spot, double grey, in Pigment onWhite, in Pigment onPigment)
    {
        double[] white = Fibre.Absorbed(Fibre.Keratin, onWhite * spot.WhiteTakes), pigmented = Fibre.Absorbed(spot.Pigment, onPigment * spot.PigmentTakes);
        Span<double> passed = stackalloc double[3];
        Span<Pigment> byWhite = stackalloc Pigment[3], byPigment = stackalloc Pigment[3];
        passed.Clear();
        byWhite.Clear();
        byPigment.Clear();
        for (int band = 0; band < Light.Bands; band++)
        {
            double x = Math.Sqrt(white[band]), y = Math.Sqrt(pigmented[band]), w = grey * Math.Exp(-Fibre.Law * x), p = (1 - grey) * Math.Exp(-Fibre.Law * y);
            var (dW, dP) = (Dyes[band] * (w / x), Dyes[band] * (p / y));
            for (int channel = 0; channel < 3; channel++)
            {
                double share = Shares[channel][band];
                passed[channel] += share * (w + p);
                byWhite[channel] += dW * share;
                byPigment[channel] += dP * share;
            }
        }

        var tangents = new Tangent[3];
        for (int channel = 0; channel < 3; channel++)
        {
            double q = -Math.Log(passed[channel]) / Fibre.Law, chain = -2 * q / (Fibre.Law * passed[channel]);
            var (gW, gP) = (byWhite[channel] * (chain * spot.WhiteTakes), byPigment[channel] * (chain * spot.PigmentTakes));
            tangents[channel] = new Tangent(q * q - gW.Dot(onWhite) - gP.Dot(onPigment), gW, gP);
        }

        return tangents;
    }

    /// <summary>The most that a mix absorbs with so much dye on both kinds of fibre.</summary>
    public double At(in Pigment white, in Pigment pigmented) => Level + White.Dot(white) + Pigmented.Dot(pigmented);
}
