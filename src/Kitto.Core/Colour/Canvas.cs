using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>A stretch of hair that a mix meets: white and pigmented fibres side by side.</summary>
/// <param name="Zone">Where it is; null for the lengths.</param>
/// <param name="Weight">How much of what is seen lies there; all spots of a canvas add up to one.</param>
/// <param name="Grey">Share of white fibres.</param>
/// <param name="WhiteTakes">Share of a mix's dye that the white fibres have taken by the rinse.</param>
/// <param name="PigmentTakes">The same for pigmented fibres.</param>
/// <param name="Pigmented">The pigmented fibre as the dye meets it, after lift.</param>
/// <param name="Lifts">Levels that it was lifted.</param>
public sealed record Spot(Zone? Zone, double Weight, Share Grey, double WhiteTakes, double PigmentTakes, Fibre Pigmented, double Lifts)
{
    internal double[] Pigment { get; } = Pigmented.Absorption();

    /// <summary>The stretch as it is after the lift, without any dye.</summary>
    public Seen Bare => See(default, default);

    /// <summary>The light it sends back with dyes on its two kinds of fibre, uptake not yet counted.</summary>
    internal Xyz Light(in Pigment onWhite, in Pigment onPigment) => Lit(onWhite, onPigment, out _, out _);

    /// <summary>What it looks like with dyes on its two kinds of fibre, uptake not yet counted.</summary>
    internal Seen See(in Pigment onWhite, in Pigment onPigment)
    {
        var blend = Lit(onWhite, onPigment, out var white, out var pigmented);
        return new Seen(Lab.From(blend, Colour.Light.White), Grey.Value > 0 ? Lab.From(white, Colour.Light.White) : null, Grey.Value < 1 ? Lab.From(pigmented, Colour.Light.White) : null);
    }

    /// <summary>The blend of both kinds of fibre, and each; nothing for the kind that is not there.</summary>
    private Xyz Lit(in Pigment onWhite, in Pigment onPigment, out Xyz white, out Xyz pigmented)
    {
        double grey = Grey.Value;
        white = grey > 0 ? Fibre.Look(Fibre.Keratin, onWhite * WhiteTakes) : default;
        pigmented = grey < 1 ? Fibre.Look(Pigment, onPigment * PigmentTakes) : default;
        return white * grey + pigmented * (1 - grey);
    }
}

/// <summary>What is seen of a spot: the blend, and its two kinds of fibre where they are there.</summary>
/// <param name="Blend">The area-weighted mean of their light.</param>
/// <param name="White">White fibres.</param>
/// <param name="Pigmented">Pigmented fibres.</param>
public readonly record struct Seen(Lab Blend, Lab? White, Lab? Pigmented)
{
    /// <summary>All of it moved by a difference.</summary>
    public Seen Moved(Lab by) => new(Blend + by, White + by, Pigmented + by);
}

/// <summary>All that a mix meets on a head, and what is wished there. The mix itself is still open: what lift and time do is settled.</summary>
/// <param name="Line">The line of the mix.</param>
/// <param name="Developer">Its developer.</param>
/// <param name="Spots">The stretches it meets, most seen first; a shadow's tail last.</param>
/// <param name="Target">The wished colour.</param>
/// <param name="Residual">How this client's hair has come out against the forecast so far (OU).</param>
public sealed record Canvas(Line Line, Volume Developer, IReadOnlyList<Spot> Spots, Lab Target, Lab Residual)
{
    /// <summary>How much a contrast between white and pigmented fibres counts in the search (tables).</summary>
    public const double Contrast = 0.15;

    /// <summary>The regrowth of a head at the times of a schedule.</summary>
    /// <param name="reading">The reading, regrowth as on the day.</param>
    /// <param name="line">The line.</param>
    /// <param name="developer">The developer.</param>
    /// <param name="schedule">The schedule: its zones are those coloured.</param>
    /// <param name="softened">Whether resistant white is softened first (AP9).</param>
    /// <param name="target">The wished colour.</param>
    /// <param name="residual">This client's own.</param>
    public static Canvas OfRoots(Reading reading, Line line, Volume developer, Schedule schedule, bool softened, Lab target, Lab residual)
    {
        double seen = schedule.Zones.Sum(z => z.Zone.SeenWeight());
        double levels = Kinetics.Levels(line, developer), porosity = Kinetics.Takes(reading.Hair.Porosity);
        var spots = new Spot[schedule.Zones.Count];
        for (int i = 0; i < spots.Length; i++)
        {
            var (zone, contact) = (schedule.Zones[i].Zone, schedule.Zones[i].ContactMinutes);
            var read = reading.Zones[(int)zone];
            double takes = Kinetics.Taken(contact, line) * porosity;
            double stubborn = !read.Resistant ? 1 : softened ? Kinetics.Softened : Kinetics.Resistant;
            double lifted = levels * Kinetics.LiftReached(contact, line) * Kinetics.LiftOf(zone, read);
            spots[i] = new Spot(zone, zone.SeenWeight() / seen, read.Grey, takes * stubborn, takes, Melanin.Lifted(reading.Hair.NaturalLevel.Value, lifted), lifted);
        }

        Array.Sort(spots, (a, b) => a.Weight != b.Weight ? b.Weight.CompareTo(a.Weight) : a.Zone!.Value.CompareTo(b.Zone!.Value));
        return new Canvas(line, developer, spots, target, residual);
    }

    /// <summary>
    /// The regrowth of a head and what is feathered past the line for a root shadow: there the lengths meet the mix too, and the shadow is made (SV5).
    /// Each counts by how much of it is painted, the tail at half the coat and never more than the roots (ours).
    /// </summary>
    /// <param name="roots">The regrowth.</param>
    /// <param name="reading">The reading, regrowth as on the day.</param>
    /// <param name="schedule">The schedule: its zones are those coloured.</param>
    public static Canvas WithTail(Canvas roots, Reading reading, Schedule schedule)
    {
        double seen = schedule.Zones.Sum(z => z.Zone.SeenWeight());
        double painted = schedule.Zones.Sum(z => z.Zone.SeenWeight() * reading.Zones[(int)z.Zone].Regrowth.Value);
        double tail = schedule.Zones.Sum(z => z.Zone.SeenWeight() * Use.TailCoat * z.Zone.Facts().ShadowTail.Value);
        double share = Math.Min(.5, tail / (tail + painted));
        var contact = Minutes.Of(schedule.Zones.Sum(z => z.Zone.SeenWeight() / seen * z.ContactMinutes.Value));
        // Where there is a faded band, it is what lies past the line.
        var past = OfLengths(reading, roots.Line, roots.Developer, contact, 1, roots.Target, roots.Residual).Spots[^1];
        return roots with { Spots = [.. roots.Spots.Select(s => s with { Weight = s.Weight * (1 - share) }), past with { Weight = share }] };
    }

    /// <summary>The tail of a root shadow; null where there is none.</summary>
    public Spot? Tail => Spots[0].Zone is not null && Spots[^1] is { Zone: null } tail ? tail : null;

    /// <summary>Every stretch but a shadow's tail: where it stands among the spots, and its weight among these.</summary>
    public IEnumerable<(int At, Spot Spot, double Weight)> Own
    {
        get
        {
            double own = 1 - (Tail?.Weight ?? 0);
            return Spots.Take(Tail is null ? Spots.Count : Spots.Count - 1).Select((s, i) => (i, s, s.Weight / own));
        }
    }

    /// <summary>The lengths, as a formula of their own or a pulled-through root mix meets them; a faded band (RD11) is a stretch of its own that counts as much as all the rest.</summary>
    /// <param name="reading">The reading.</param>
    /// <param name="line">The line.</param>
    /// <param name="developer">The developer.</param>
    /// <param name="contact">How long it is on.</param>
    /// <param name="works">How much of the mix's strength is left: 1 when fresh (SV9).</param>
    /// <param name="target">The wished colour.</param>
    /// <param name="residual">This client's own.</param>
    public static Canvas OfLengths(Reading reading, Line line, Volume developer, Minutes contact, double works, Lab target, Lab residual)
    {
        var hair = reading.Hair;
        double takes = Kinetics.Taken(contact, line) * Kinetics.Takes(hair.Porosity) * works;
        var today = LengthsOf(reading);
        double lifted = hair.Lengths.Coloured ? 0 : Kinetics.Levels(line, developer) * Kinetics.LiftReached(contact, line) * Kinetics.LiftOf(hair.Texture);
        var fibre = lifted > 0 ? Melanin.Lifted(hair.Lengths.Level.Value, lifted) : today.Pigmented;
        var lengths = new Spot(null, 1, today.Grey, takes, takes, fibre, lifted);
        return new Canvas(line, developer, hair.Band is not { } band ? [lengths]
            : [lengths with { Weight = .5 }, new Spot(null, .5, Share.Of(0), takes, takes, Dye.Look(band.Level.Value, band.Tone), 0)], target, residual);
    }

    /// <summary>The lengths as they are. Coloured ones show one colour and have nothing to lift; virgin ones carry the white of the head.</summary>
    public static Spot LengthsOf(Reading reading)
    {
        var lengths = reading.Hair.Lengths;
        var fibre = Dye.Look(lengths.Level.Value, lengths.Coloured ? lengths.Tone : Tone.Neutral);
        double seen = reading.Included.Sum(z => z.Zone.SeenWeight());
        double grey = lengths.Coloured ? 0 : reading.Included.Sum(z => z.Zone.SeenWeight() * z.Read.Grey.Value) / seen;
        return new Spot(null, 1, Share.Of(grey), 1, 1, fibre, 0);
    }

    /// <summary>What a mix makes of every spot.</summary>
    public Looked Look(Mixture mix)
    {
        var onWhite = mix.On(0);
        var seen = new Seen[Spots.Count];
        double difference = 0, contrast = 0;
        for (int i = 0; i < seen.Length; i++)
        {
            var spot = Spots[i];
            var forecast = spot.See(onWhite, mix.On(spot.Pigmented.Melanin));
            difference += spot.Weight * Miss(forecast);
            contrast += spot.Weight * spot.Grey.Value * GreyContrast(forecast);
            seen[i] = forecast.Moved(Residual);
        }

        return new Looked(seen, difference, contrast);
    }

    /// <summary>dE00 of what is seen to the target, the client's own residual counted.</summary>
    internal double Miss(in Seen seen) => Difference2000.Between(seen.Blend + Residual, Target);

    internal static double GreyContrast(in Seen seen) => seen is { White: { } w, Pigmented: { } p } ? Difference2000.Between(w, p) : 0;
}

/// <summary>A forecast over a canvas.</summary>
/// <param name="Seen">Spot by spot, the client's own residual counted.</param>
/// <param name="DeltaE">Mean dE00 to the target, weighted by how much is seen.</param>
/// <param name="GreyContrast">Mean dE00 between white and pigmented fibres, weighted by what is seen and by the share of white.</param>
public sealed record Looked(IReadOnlyList<Seen> Seen, double DeltaE, double GreyContrast);
