using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>A mix as dye: the weighted mean of what its parts deposit. The order in which parts are named does not matter.</summary>
public sealed class Mixture
{
    private readonly (Colourant Colourant, double Share)[] shades,
        concentrates;

    /// <summary>A mix of a line's shades.</summary>
    /// <param name="line">The line.</param>
    /// <param name="developer">Strength of the developer.</param>
    /// <param name="parts">Parts; shares add up to one. A code the line lacks is read as such a shade of it.</param>
    /// <exception cref="ArgumentException">A code is no shade.</exception>
    public Mixture(Line line, Volume developer, IEnumerable<MixPart> parts)
    {
        var all = new List<(Colourant Colourant, double Share)>();
        foreach (var part in parts.OrderBy(p => p.Shade, StringComparer.Ordinal))
        {
            var shade = ShadeOf.Parse(part.Shade) ?? throw new ArgumentException($"{part.Shade} is no shade.", nameof(parts));
            all.Add((new Colourant(shade, line, developer), part.Share.Value));
        }

        shades = [.. all.Where(p => !p.Colourant.Shade.Concentrate)];
        concentrates = [.. all.Where(p => p.Colourant.Shade.Concentrate)];
    }

    /// <summary>What it deposits in full on a fibre, as it is after lift.</summary>
    public Pigment On(in Fibre fibre)
    {
        var sum = default(Pigment);
        double depth = 0,
            rest = 0;
        foreach (var (colourant, share) in shades)
        {
            sum += colourant.On(fibre) * share;
            depth += colourant.Feeds(fibre) * share;
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
internal sealed class Colourant
{
    private readonly double melanin,
        covers;
    private readonly Pigment depth,
        tone;

    public Colourant(ShadeOf shade, Line line, Volume developer)
        : this(shade, Dye.Strength(line.Kind, shade.Family, developer), line.Kind == LineKind.Gloss) { }

    public Colourant(ShadeOf shade, double strength, bool toner = false)
    {
        Shade = shade;
        if (shade.Level > 0)
        {
            melanin = Melanin.Of(shade.Level);
            depth = Pigment.OfDepth(strength * melanin * Dye.DepthShare);
            tone = Dye.Tone(shade.Family!.Value) * (strength * (toner ? Melanin.Of(Math.Min(shade.Level, Dye.PaleToner)) : melanin));
            covers = Dye.Warm(shade.Family.Value) ? 0 : Dye.Covers * strength;
        }
        else if (shade.Concentrate)
        {
            Pure = Dye.Band(shade.Family!.Value) * (strength * Dye.Concentrated);
        }
    }

    public ShadeOf Shade { get; }

    /// <summary>For a concentrate, its tone for each unit of depth beside it; nothing for others.</summary>
    public Pigment Pure { get; }

    /// <summary>What a whole portion deposits; nothing for clear and concentrates.</summary>
    public Pigment On(in Fibre fibre)
    {
        if (melanin == 0)
        {
            return default;
        }

        var (held, fill, toneFill) = Fills(fibre);
        double ratio = held / melanin,
            kept = ratio <= 1 ? 1 - toneFill * ratio : (1 - toneFill) / ratio;
        var sum = depth * (1 - fill * Math.Min(1, ratio)) + tone * kept;
        return fibre.Lightened ? sum.Covering(covers * Math.Min(1, Dye.CoversTo / ratio)) : sum;
    }

    /// <summary>Depth that a concentrate beside it goes by (tables), less what the fibre holds already.</summary>
    public double Feeds(in Fibre fibre)
    {
        var (held, _, toneFill) = Fills(fibre);
        return melanin > 0 ? melanin * (1 - toneFill * Math.Min(1, held / melanin)) : 0;
    }

    /// <summary>The depth a fibre already holds (SH8), 0 on white hair, and how much of depth and tone it holds back: by natural pigment, by dye, each by its part.</summary>
    private static (double Held, double Depth, double Tone) Fills(in Fibre fibre)
    {
        double dyed = fibre.Dye.Depth,
            held = fibre.Melanin + dyed;
        if (held <= 0)
        {
            return default;
        }

        double of = fibre.Lightened ? Dye.LightenedFill : Dye.DyedFill;
        return (held, (Dye.NaturalFill * fibre.Melanin + of * dyed) / held, (Dye.NaturalToneFill * fibre.Melanin + Dye.ToneFill * dyed) / held);
    }
}
