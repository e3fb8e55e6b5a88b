using Kitto.Core.Colour;
using Kitto.Core.Picture;

namespace Kitto.Core.Tests.Picture;

/// <summary>Places made of a known draw of white and pigmented fibres, each in its own light.</summary>
public sealed class WhiteMixtureTests
{
    private static Rgb Light(Fibre fibre)
    {
        var (r, g, b) = Srgb.From(fibre.Lab);
        static double Linear(double v) => v <= 0.04045 ? v / 12.92 : Math.Pow((v + 0.055) / 1.055, 2.4);
        return new Rgb(Linear(r), Linear(g), Linear(b));
    }

    private static List<Rgb> Places(double level, double white, int fibres, double shadow, int seed)
    {
        var random = new Random(seed);
        double Normal() => Enumerable.Range(0, 12).Sum(_ => random.NextDouble()) - 6;
        var (w, p) = (Light(Fibre.White), Light(Melanin.Natural(level)));
        return
        [
            .. Enumerable
                .Range(0, 2000)
                .Select(_ =>
                {
                    double share = Enumerable.Range(0, fibres).Count(_ => random.NextDouble() < white) / (double)fibres;
                    return (w * share + p * (1 - share)) * Math.Exp(shadow * Normal());
                }),
        ];
    }

    [Theory]
    [InlineData(3, 0.1, 5)]
    [InlineData(4.5, 0.4, 6)]
    [InlineData(5, 0, 4)]
    [InlineData(6, 0.25, 4)]
    [InlineData(6.5, 0.7, 8)]
    [InlineData(7, 0.5, 5)]
    [InlineData(2, 0.9, 6)]
    public void A_known_mixture_is_found_again(double level, double white, int fibres)
    {
        var found = WhiteMixture.Of(Places(level, white, fibres, 0.16, 11), fibres, 0.16, 0.005);
        Assert.InRange(found.White, white - 0.05, white + 0.05);
        Assert.True(Math.Abs(found.Level - level) < Math.Max(0.5, 2.5 * found.LevelSd), $"level {found.Level:0.00} of {level}, {found.LevelSd:0.00}");
    }

    [Fact]
    public void Among_much_white_the_level_of_the_few_others_is_known_less()
    {
        double Sd(double white) => WhiteMixture.Of(Places(5, white, 5, 0.16, 3), 5, 0.16, 0.005).LevelSd;
        Assert.True(Sd(0.85) > 2 * Sd(0.1));
    }

    [Fact]
    public void Few_places_are_refused() => Assert.Throws<ArgumentException>(() => WhiteMixture.Of(Places(5, 0.2, 3, 0.1, 1)[..40], 3, 0.1, 0.01));
}
