using Kitto.Core.Head;

namespace Kitto.Core.Shade;

/// <summary>Finds a mix by matching the lengths and the grey rules (SH1, SH3, SH5, SH6, SH7).</summary>
public static class Proposal
{
    /// <summary>How much red (copper where light) keeps an ash brown on white hair (SH6).</summary>
    public const double RedAgainstGreen = 0.1;

    /// <summary>White share from which an ash shows its base (SH6).</summary>
    public const double AshShowsFrom = 0.25;

    /// <summary>The least neutral that white hair needs in the mix (SH5).</summary>
    public static double NeutralNeeded(Share grey) => grey.Value switch
    {
        < .25 => 0,
        < .5 => .25,
        <= .75 => .5,
        _ => .75,
    };

    /// <summary>Share of neutral shades in a mix.</summary>
    public static double NeutralShare(IEnumerable<MixPart> parts) =>
        parts.Where(p => ShadeOf.Parse(p.Shade)?.Family is Family.N or Family.NN).Sum(p => p.Share.Value);

    /// <summary>A mix for a level and a tone.</summary>
    /// <param name="line">The line.</param>
    /// <param name="level">Wished level.</param>
    /// <param name="tone">Wished tone.</param>
    /// <param name="grey">The decisive grey share; zero for lengths.</param>
    /// <param name="about">Which decision the reasons belong to.</param>
    /// <param name="why">Reasons are added.</param>
    public static IReadOnlyList<MixPart> For(Line line, Level level, Tone tone, Share grey, string about, ICollection<Because> why)
    {
        switch (line.Kind)
        {
            case LineKind.Lightener:
                return [new MixPart("LT", Share.Of(1))];
            case LineKind.HighLift:
                return Lifted(line, level, tone, about, why);
        }

        var tones = tone.Families.Where(f => f is not (Family.N or Family.NN)).ToList();
        double neutral = tones.Count == 0 ? 1 : Math.Max(NeutralNeeded(grey), tone.Families.Count > tones.Count ? .5 : 0);
        bool red = grey.Value >= AshShowsFrom && tones.Any(f => f is Family.AG or Family.AB);
        if (tones.Count > 0 && NeutralNeeded(grey) > 0)
        {
            why.Add(new Because("SH5", $"{grey} white in the greyest zone wants {Words(NeutralNeeded(grey))} of the mix neutral.", about));
        }
        else if (grey.Value >= AshShowsFrom)
        {
            why.Add(new Because("SH5", $"{grey} white in the greyest zone wants neutral, and the mix is neutral throughout.", about));
        }

        var wanted = Families(tones, neutral, red, tone.Families.Contains(Family.NN));
        if (red)
        {
            why.Add(new Because("SH6", "An ash shows its green or blue base on white hair; a tenth of red keeps it brown.", about));
        }

        var placed = Place(wanted, level, about, why);
        return Merge(placed.SelectMany(p => Resolve(line, p.Family, p.Level, p.Share, about, why)));
    }

    /// <summary>Families and their shares, in steps people can weigh (SH7).</summary>
    private static List<(Family Family, double Share)> Families(List<Family> tones, double neutral, bool red, bool extraCover)
    {
        var plain = extraCover ? Family.NN : Family.N;
        if (tones.Count == 0)
        {
            return [(plain, 1)];
        }

        if (red)
        {
            // Tenths: neutral is rounded up so that grey gets no less than it needs.
            double share = Math.Ceiling(neutral * 10 - 1e-9) / 10;
            double rest = 1 - share - RedAgainstGreen;
            return [(plain, share), .. tones.Take(1).Select(t => (t, rest)), (Family.R, RedAgainstGreen)];
        }

        if (tones.Count == 2)
        {
            neutral = neutral switch { 0 => 0, .25 => 1.0 / 3, .5 => .5, _ => .8 };
        }

        var list = tones.Select(t => (t, (1 - neutral) / tones.Count)).ToList();
        return neutral > 0 ? [(plain, neutral), .. list] : list;
    }

    /// <summary>Gives each family its level; a half level is split over the two shades next to it, the deeper for the neutral.</summary>
    private static List<(Family Family, int Level, double Share)> Place(List<(Family Family, double Share)> wanted, Level level, string about, ICollection<Because> why)
    {
        int low = (int)Math.Floor(level.Value);
        bool half = level.Value - low > .01;
        if (!half)
        {
            return [.. wanted.Select(w => (w.Family, low, w.Share))];
        }

        if (wanted.Count > 2)
        {
            why.Add(new Because("SH7", $"Level {level} lies between two shades; three parts are enough, so the deeper level {low} is taken.", about));
            return [.. wanted.Select(w => (w.Family, low, w.Share))];
        }

        why.Add(new Because("SH7", $"Level {level} lies between two shades: half at {low}, half at {low + 1}.", about));
        var placed = new List<(Family, int, double)>();
        double deep = .5;
        foreach (var (family, share) in wanted)
        {
            double below = Math.Min(share, deep);
            deep -= below;
            if (below > 0)
            {
                placed.Add((family, low, below));
            }

            if (share - below > 1e-9)
            {
                placed.Add((family, low + 1, share - below));
            }
        }

        return placed;
    }

    /// <summary>The line's nearest shade; where the family is two or more levels away, neutral with a tenth of concentrate.</summary>
    private static IEnumerable<MixPart> Resolve(Line line, Family family, int level, double share, string about, ICollection<Because> why)
    {
        if (family == Family.R && Math.Abs(share - RedAgainstGreen) < 1e-9 && (line.Find("0R") ?? Nearest(line, Family.R, level, 1) ?? Nearest(line, Family.C, level, 2)) is { } red)
        {
            return [new MixPart(red.Code, Share.Of(share))];
        }

        if (line.Find(family, level) is { } exact)
        {
            return [new MixPart(exact.Code, Share.Of(share))];
        }

        if (Nearest(line, family, level, 1) is { } near)
        {
            why.Add(new Because("SH7", $"{line.Name} has no {level}{family}; {near.Code} is next to it.", about));
            return [new MixPart(near.Code, Share.Of(share))];
        }

        var plain = Nearest(line, Family.N, level, 12) ?? line.Shades[0];
        var strong = line.Shades.FirstOrDefault(s => s.Concentrate && s.Family == (family is Family.C ? Family.R : family));
        if (family is Family.N or Family.NN || strong is null || share <= RedAgainstGreen)
        {
            why.Add(new Because("SH7", $"{line.Name} has no {level}{family}; {plain.Code} is the nearest it has.", about));
            return [new MixPart(plain.Code, Share.Of(share))];
        }

        why.Add(new Because("SH7", $"{line.Name} has no {level}{family}; {plain.Code} with a tenth of {strong.Code} takes its place.", about));
        return [new MixPart(plain.Code, Share.Of(share - RedAgainstGreen)), new MixPart(strong.Code, Share.Of(RedAgainstGreen))];
    }

    /// <summary>High-lift shades: the opposite of the warmth that the lift lays bare (SH2, SH3, SV6).</summary>
    private static IReadOnlyList<MixPart> Lifted(Line line, Level level, Tone tone, string about, ICollection<Because> why)
    {
        var plain = Nearest(line, Family.N, 11, 12) ?? line.Shades[0];
        bool warmWish = tone.Families.Any(f => f is Family.G or Family.C or Family.R);
        var (warmth, counter) = level.Value switch
        {
            < 7 => ("orange", Family.AB),
            < 8 => ("yellow-orange", Family.AB),
            _ => ("yellow", Family.V),
        };
        if (warmWish || Nearest(line, counter, 11, 12) is not { } against)
        {
            why.Add(new Because("SV6", $"The lift warms her roots to {warmth}, which suits a warm wish; the neutral high-lift shade adds nothing to it.", about));
            return [new MixPart(plain.Code, Share.Of(1))];
        }

        why.Add(new Because("SH3", $"Lifting to level {level} lays {warmth} bare; half {against.Code} counters it.", about));
        why.Add(new Because("SV6", "So pale a shade hardly tones dark roots: plan a gloss afterwards if warmth shows.", about));
        return [new MixPart(plain.Code, Share.Of(.5)), new MixPart(against.Code, Share.Of(.5))];
    }

    private static ShadeOf? Nearest(Line line, Family family, int level, int within) =>
        line.Shades.Where(s => s.Family == family && s.Level > 0 && Math.Abs(s.Level - level) <= within)
            .OrderBy(s => Math.Abs(s.Level - level)).ThenBy(s => s.Level).FirstOrDefault();

    private static IReadOnlyList<MixPart> Merge(IEnumerable<MixPart> parts) =>
        [.. parts.GroupBy(p => p.Shade).Select(g => new MixPart(g.Key, Share.Of(Math.Min(1, Math.Round(g.Sum(p => p.Share.Value), 9))))).OrderByDescending(p => p.Share.Value)];

    private static string Words(double neutral) => neutral switch
    {
        <= .25 => "a quarter to a third",
        <= .5 => "half",
        _ => "three quarters",
    };
}
