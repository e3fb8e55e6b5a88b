namespace Kitto.Core.Shade;

/// <summary>The rules that every proposed mix has to keep, whatever it looks like (SH3, SH5, SH6, SH7).</summary>
/// <param name="Grey">White share of the greyest zone that counts; zero on lengths.</param>
/// <param name="Wish">Wished level.</param>
/// <param name="Tone">Wished tone, where tones that are not in it are kept small; null where a mix may be all counter (gloss, high-lift).</param>
public sealed record MixRules(Share Grey, Level Wish, Tone? Tone)
{
    /// <summary>Tones that the wish does not hold correct a mix, they do not make it: at most this share together (ours; SH3, SH6 and OU2 ask for a tenth to a quarter).</summary>
    public const double MostForeign = 1.0 / 3;

    /// <summary>Shades lie at most this many levels from the wish and from one another: tones are countered at the same level (SH3), levels in between come from adjacent shades (SH7). The two is ours.</summary>
    public const double LevelsApart = 2;

    /// <summary>A concentrate is an addition, never the body of a mix: at most this share (ours; SH6 and OU2 ask for about a tenth).</summary>
    public const double MostConcentrate = 0.25;

    /// <summary>A mix holds at most so much clear: equal parts are what is practised (SH10), and clear alone is no colour (ours).</summary>
    public const double MostClear = 0.5;

    /// <summary>How much red (copper where light) keeps an ash brown on white hair (SH6).</summary>
    public const double RedAgainstGreen = 0.1;

    /// <summary>White share from which an ash shows its base (SH6).</summary>
    public const double AshShowsFrom = 0.25;

    /// <summary>This much extra cover does for three quarters neutral (SH5; the share is ours).</summary>
    public const double ExtraCover = 0.5;

    /// <summary>The least neutral that the white hair needs in the mix (SH5).</summary>
    public double NeutralNeeded => Grey.Value switch
    {
        < .25 => 0,
        < .5 => .25,
        <= .75 => .5,
        _ => .75,
    };

    /// <summary>What no mix does with less of, extra cover or not.</summary>
    internal double LeastNeutral => Math.Min(NeutralNeeded, ExtraCover);

    /// <summary>Whether an ash would show its green or blue base.</summary>
    public bool AshShows => Grey.Value >= AshShowsFrom;

    /// <summary>Whether a mix has the neutral that the white hair needs.</summary>
    public bool Covers(in MixSums mix) => mix.Neutral >= NeutralNeeded - 1e-9 || (NeutralNeeded > .5 && mix.Extra >= ExtraCover - 1e-9);

    /// <summary>Whether a mix has red against its ash, where that is needed.</summary>
    public bool StaysBrown(in MixSums mix) => !AshShows || mix.Cool <= 1e-9 || mix.Warm >= RedAgainstGreen - 1e-9;

    /// <summary>Whether a shade's tone is none that the wish holds; neutrals never are. Both ashes are one.</summary>
    public bool Foreign(ShadeOf shade) => Tone is { } tone && shade.Family is { } family and not (Family.N or Family.NN) && !tone.Families.Any(f => f == family || (Ash(f) && Ash(family)));

    private static bool Ash(Family family) => family is Family.AG or Family.AB;

    /// <summary>Whether a mix keeps every rule.</summary>
    public bool Allow(in MixSums mix) => mix.Deepest + LevelsApart >= mix.Lightest && mix.Clear <= MostClear + 1e-9 && mix.Foreign <= MostForeign + 1e-9 && Covers(mix) && StaysBrown(mix);

    /// <summary>The shades of a line that a mix may be made of: those near the wish, or the nearest the line has; all of a high-lift line, whose shades have no level of their own.</summary>
    public IReadOnlyList<ShadeOf> Near(Line line)
    {
        if (line.Kind == LineKind.HighLift)
        {
            return line.InStock;
        }

        double Away(ShadeOf s) => Math.Abs(s.Level - Wish.Value);
        double reach = Math.Max(LevelsApart, line.InStock.Where(s => s.Level > 0).Select(Away).DefaultIfEmpty(0).Min());
        return [.. line.InStock.Where(s => s.Level == 0 || Away(s) <= reach)];
    }
}

/// <summary>What a mix holds of the families that the rules ask for.</summary>
/// <param name="Neutral">Share of neutral shades, extra cover among them.</param>
/// <param name="Extra">Share of extra-cover shades.</param>
/// <param name="Cool">Share of ash, as shade or concentrate.</param>
/// <param name="Warm">Share of red and copper, as shade or concentrate.</param>
/// <param name="Clear">Share of clear.</param>
/// <param name="Foreign">Share of tones that the wish does not hold.</param>
/// <param name="Deepest">Level of the deepest shade; 0 where none has one.</param>
/// <param name="Lightest">Level of the lightest shade.</param>
public readonly record struct MixSums(double Neutral, double Extra, double Cool, double Warm, double Clear, double Foreign, int Deepest, int Lightest)
{
    /// <summary>Sums of a mix; codes that are no shade count as nothing.</summary>
    /// <param name="parts">The mix.</param>
    /// <param name="rules">The rules that say which tones are foreign to the wish; null: none is.</param>
    public static MixSums Of(IEnumerable<MixPart> parts, MixRules? rules = null) =>
        parts.Aggregate(default(MixSums), (sum, p) => ShadeOf.Parse(p.Shade) is { } shade ? sum.With(shade, p.Share.Value, rules?.Foreign(shade) ?? false) : sum);

    /// <summary>With a part added.</summary>
    public MixSums With(ShadeOf shade, double share, bool foreign) => new(
        Neutral + (shade.Family is Family.N or Family.NN ? share : 0), Extra + (shade.Family is Family.NN ? share : 0),
        Cool + (shade.Family is Family.AG or Family.AB ? share : 0), Warm + (shade.Family is Family.R or Family.C ? share : 0),
        Clear + (shade.Family is null ? share : 0), Foreign + (foreign ? share : 0),
        shade.Level == 0 ? Deepest : Deepest == 0 ? shade.Level : Math.Min(Deepest, shade.Level), Math.Max(Lightest, shade.Level));
}
