using System.Globalization;
using Kitto.Core.Colour;

namespace Kitto.Bench;

/// <summary>Generated colours as this engine converts them, one JSON document: what an independent library is asked to agree with.</summary>
public static class Colours
{
    /// <summary>Writes so many colours: tristimulus values, Lab, sRGB, and the difference to the colour before. Half are hair, half are anywhere a screen can show.</summary>
    public static void Write(TextWriter to, int count)
    {
        var random = new Random(20260301);
        var before = Fibre.White.Lab;
        to.Write("[");
        for (int i = 0; i < count; i++)
        {
            var lab = i % 2 == 0 ? Hair(random) : Lab.From(new Xyz(.9 * random.NextDouble(), random.NextDouble(), 1.05 * random.NextDouble()), Xyz.D65);
            var xyz = lab.ToXyz(Xyz.D65);
            var (r, g, b) = Srgb.From(lab);
            to.Write(i == 0 ? "" : ",");
            to.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{{\"xyz\":[{xyz.X:R},{xyz.Y:R},{xyz.Z:R}],\"lab\":[{lab.L:R},{lab.A:R},{lab.B:R}],\"rgb\":[{r:R},{g:R},{b:R}],\"hex\":\"{Srgb.Hex(lab)}\",\"difference\":{Difference2000.Between(before, lab):R}}}"
                )
            );
            before = lab;
        }

        to.WriteLine("]");
    }

    private static Lab Hair(Random random)
    {
        var dye = new Pigment(
            random.NextDouble() * .3,
            random.NextDouble() * .2,
            random.NextDouble() * .2,
            random.NextDouble() * .1,
            random.NextDouble() * .2,
            random.NextDouble() * .2,
            random.NextDouble() * .2
        );
        return (Melanin.Lifted(1 + 9 * random.NextDouble(), 2 * random.NextDouble()) with { Dye = dye }).Lab;
    }
}
