using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>A mix as dye: the weighted mean of what its parts deposit. The order in which parts are named does not matter.</summary>
public sealed class Mixture
{
    private readonly (Colourant Colourant, double Share)[] shades, concentrates;

    /// <summary>A mix of a line's shades.</summary>
    /// <param name="line">The line.</param>
    /// <param name="developer">Strength of the developer.</param>
    /// <param name="parts">Parts; shares add up to one. A code the line lacks is read as such a shade of it.</param>
    /// <exception cref="ArgumentException">A code is no shade.</exception>
    public Mixture(Line line, Volume developer, IEnumerable<MixPart> parts)
    {
        var all = parts.OrderBy(p => p.Shade, StringComparer.Ordinal)
            .Select(p => (Colourant.Of(line.Find(p.Shade) ?? ShadeOf.Parse(p.Shade) ?? throw new ArgumentException($"{p.Shade} is no shade.", nameof(parts)), line, developer), p.Share.Value)).ToList();
        shades = [.. all.Where(p => !p.Item1.Shade.Concentrate)];
        concentrates = [.. all.Where(p => p.Item1.Shade.Concentrate)];
    }

    /// <summary>What it deposits in full on a fibre with so much melanin left after lift.</summary>
    /// <param name="melanin">0 on white hair.</param>
    public Pigment On(double melanin)
    {
        var sum = default(Pigment);
        double depth = 0, rest = 0;
        foreach (var (colourant, share) in shades)
        {
            sum += colourant.On(melanin) * share;
            depth += colourant.Feeds(melanin) * share;
            rest += share;
        }

        foreach (var (concentrate, share) in concentrates)
        {
            sum += concentrate.Pure * (rest > 0 ? depth * (share / rest) : 0);
        }

        return sum;
    }
}

/// <summary>One shade as it works in a line with a developer.</summary>
/// <param name="Shade">The shade.</param>
/// <param name="Strength">How strongly it deposits.</param>
/// <param name="Pure">For a concentrate, its tone for each unit of depth beside it; nothing for others.</param>
internal sealed record Colourant(ShadeOf Shade, double Strength, Pigment Pure)
{
    public static Colourant Of(ShadeOf shade, Line line, Volume developer)
    {
        double strength = Dye.Strength(line.Kind, shade.Family, developer);
        return new Colourant(shade, strength, shade.Concentrate ? Dye.Band(shade.Family!.Value) * (strength * Dye.Concentrated) : default);
    }

    /// <summary>What a whole portion deposits; nothing for clear and concentrates.</summary>
    public Pigment On(double melanin) => Dye.Deposit(Shade, Strength, melanin);

    /// <summary>Depth that a concentrate beside it goes by (tables), less what the fibre holds already.</summary>
    public double Feeds(double melanin) => Shade.Level == 0 ? 0 : Melanin.Of(Shade.Level) * (1 - Dye.ToneFill * Dye.Held(melanin, Shade.Level));
}
