using Kitto.Core.Colour;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core.Shade;

/// <summary>What a mix does that a colourist would not sign, the worst last: a mix with less of it goes before any other.</summary>
[Flags]
public enum Breach
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>A part too small to weigh (BE4).</summary>
    TooSmall = 1,

    /// <summary>Extra cover where there is little white to cover (SH4).</summary>
    ExtraCover = 2,

    /// <summary>A shade or their mean too far from the wished level (SH16).</summary>
    Level = 4,

    /// <summary>Too little of the wished family, or too much of another (SH18).</summary>
    Tone = 8,

    /// <summary>Too little neutral for the white hair (SH5).</summary>
    Neutral = 16,

    /// <summary>Ash on white hair with no red against it (SH6).</summary>
    Ash = 32,

    /// <summary>Shades more than a level apart (SH17).</summary>
    Neighbours = 64,

    /// <summary>More concentrate than a seasoning, or more than one kind (SH20).</summary>
    Concentrate = 128,

    /// <summary>More than three parts, or clear with nothing to dilute (SH21, SH24).</summary>
    Parts = 256,

    /// <summary>Opposites in one bowl (SH19).</summary>
    Opposites = 512,

    /// <summary>Forecast green (SH22).</summary>
    Green = 1024,

    /// <summary>Takes lengths deeper by more than half a level (SV14).</summary>
    Lengths = 2048,
}

/// <summary>The rules of a mix that a colourist would sign (SH5, SH6, SH16 to SH22); common practice, the numbers ours.</summary>
/// <param name="Wish">What is wished.</param>
/// <param name="Grey">White share of the greyest zone that counts; zero on lengths.</param>
public sealed record MixRules(Wish Wish, Share Grey)
{
    /// <summary>How far the mean of the shades may lie below and above the wish (SH16).</summary>
    public (double Below, double Above) Mean { get; init; } = (.5, .5);

    /// <summary>How far any one shade may lie from the wish (SH16); null where the line is free.</summary>
    public double? Each { get; init; } = 1;

    /// <summary>Whether extra cover has something to cover: white hair, or the warmth of lightened hair (SH5, SH9).</summary>
    public bool Covered { get; init; }

    /// <summary>Whether the line has no shade of the wished ash near the wish, so that the other ash stands in for it.</summary>
    public bool AshForAsh { get; init; }

    /// <summary>The least share that can be weighed in the smallest sachet of this kit (BE4).</summary>
    public double Least { get; init; }

    /// <summary>The rules for a formula on the hair it goes on.</summary>
    /// <param name="formula">The formula.</param>
    /// <param name="grey">White share that counts; zero on lengths.</param>
    /// <param name="states">The hair it goes on.</param>
    /// <param name="least">The least share that can be weighed.</param>
    /// <param name="porous">Whether the hair is porous.</param>
    internal static MixRules For(FormulaPlan formula, Share grey, IReadOnlyList<HairState> states, double least, bool porous = false)
    {
        bool light = states.Any(s => s.Kind == HairKind.Lightened),
            natural = states.Any(s => s.Kind == HairKind.Natural);
        bool lifts = natural && formula.Line.IsPermanent && formula.Developer.Value > Values.DepositVolume;
        var rules = new MixRules(formula.Wish, grey)
        {
            Each =
                formula.Line.Kind == LineKind.HighLift ? null
                : lifts || (formula.Line.Kind == LineKind.Gloss && (light || porous)) ? 1.5
                : 1,
            Mean = lifts || (formula.Line.Kind == LineKind.Gloss && (light || porous)) ? (.5, 1) : (.5, .5),
            Covered = grey.Value >= Values.ExtraCoverFrom || (light && states.Any(s => s.Tone.Families.Any(Dye.Warm))),
            Least = least,
        };
        return rules with { AshForAsh = rules.WantsAsh && !rules.Near(formula.Line).Any(s => s.Level > 0 && rules.Wished(s.Family)) };
    }

    /// <summary>The least neutral that the white hair needs in the mix (SH5).</summary>
    public double NeutralNeeded =>
        Grey.Value switch
        {
            < .25 => 0,
            < .5 => .25,
            <= .75 => .5,
            _ => .75,
        };

    /// <summary>Whether an ash would show its green or blue base; a high-lift shade is too pale for that.</summary>
    public bool AshShows => Grey.Value >= Values.AshShowsFrom && Each is not null;

    /// <summary>Whether green is what is wished.</summary>
    public bool WantsAsh => Wish.Tone.Families.Any(Ash);

    /// <summary>Whether a family is what is wished.</summary>
    public bool Wished(Family? family) =>
        family is { } f && (IsNeutral(f) ? Wish.Tone.IsNeutral : Wish.Tone.Families.Any(w => w == f || (AshForAsh && Ash(w) && Ash(f))));

    /// <summary>What a mix does that a colourist would not sign, as far as its parts tell.</summary>
    internal Breach Of(in MixSums m)
    {
        bool level =
            Each is not null
            && m.Depth > 0
            && (
                Off(m.MeanLevel) > 1e-9
                || Wish.Level.Value - m.Deepest > Reach(Wish.Level.Value, m.Deepest) + 1e-9
                || m.Lightest - Wish.Level.Value > Reach(Wish.Level.Value, m.Lightest) + 1e-9
            );
        double colour = 1 - m.Clear,
            concentrated = Wish.Level.Value <= 4 ? Values.MostConcentrateDeep : Values.MostConcentrate;
        return (m.Smallest < Least - 1e-9 ? Breach.TooSmall : 0)
            | (m.Extra > 0 && !Covered ? Breach.ExtraCover : 0)
            | (level ? Breach.Level : 0)
            | (MadeOfIt(m, colour) ? 0 : Breach.Tone)
            | (Covers(m) ? 0 : Breach.Neutral)
            | (StaysBrown(m) ? 0 : Breach.Ash)
            | (Each is not null && m.Lightest - m.Deepest > Values.ShadesApart ? Breach.Neighbours : 0)
            | (m.Concentrates > 1 || m.Concentrate > concentrated + 1e-9 ? Breach.Concentrate : 0)
            | (m.Parts > Values.MostParts || m.Depth <= 0 ? Breach.Parts : 0)
            | (Opposed(m) ? Breach.Opposites : 0);
    }

    /// <summary>What a mix of a line does that a colourist would not sign, as far as its parts tell.</summary>
    public Breach Of(IEnumerable<MixPart> parts, Line line) => Of(MixSums.Of(parts, this, line));

    /// <summary>What a forecast adds to it.</summary>
    public Breach Of(ApplicationTarget canvas, MixForecast looked) => Forecast(canvas.Greenest(looked), canvas.Spoils(looked));

    internal Breach Forecast(double greenest, bool spoils) => (!WantsAsh && greenest < 0 ? Breach.Green : 0) | (spoils ? Breach.Lengths : 0);

    /// <summary>By how many levels a mean lies outside what the wish allows.</summary>
    public double Off(double mean) => Math.Max(0, Math.Max(Wish.Level.Value - Mean.Below - mean, mean - Wish.Level.Value - Mean.Above));

    /// <summary>Whether a mix has the neutral that the white hair needs.</summary>
    internal bool Covers(in MixSums mix) => mix.Neutral >= NeutralNeeded - 1e-9 || (NeutralNeeded > .5 && mix.Extra >= Values.ExtraCoverFor - 1e-9);

    /// <summary>Whether a mix has red against its ash, where that is needed.</summary>
    internal bool StaysBrown(in MixSums mix) => !AshShows || mix.Cool <= 1e-9 || mix.Warm >= Values.RedAgainstAsh - 1e-9;

    /// <summary>The shades of a line that a mix may be made of: those near the wish, or the nearest the line has; all of a high-lift line, whose shades have no level of their own.</summary>
    public IReadOnlyList<ShadeOf> Near(Line line)
    {
        if (Each is null)
        {
            return line.InStock;
        }

        double Away(ShadeOf s) => Math.Abs(s.Level - Wish.Level.Value);
        double reach = Math.Max(Each.Value, line.InStock.Where(s => s.Level > 0).Select(Away).DefaultIfEmpty(0).Min());
        return [.. line.InStock.Where(s => s.Level == 0 || Away(s) <= reach + 1e-9)];
    }

    /// <summary>Whether a neutral family is meant.</summary>
    internal static bool IsNeutral(Family family) => family is Family.N or Family.NN;

    internal static bool Ash(Family family) => family is Family.AG or Family.AB;

    /// <summary>A gloss on lightened hair may take a shade half a level lighter; deeper than a level no deposit goes.</summary>
    private double Reach(double wish, double level) => level < wish ? 1 : Each!.Value;

    private bool MadeOfIt(in MixSums m, double colour)
    {
        if (m.Foreign > Values.MostForeign * colour + 1e-9)
        {
            return false;
        }

        if (Fights(m))
        {
            return false;
        }

        double least = NeutralNeeded > .5 ? Values.OfFamilyOnWhite : Values.OfFamily;
        return Wish.Tone.IsNeutral
            ? m.Neutral >= Values.OfNeutral * colour - 1e-9
            : m.Have switch
            {
                2 => m.Family >= least * colour - 1e-9,
                1 => m.Seasoned > 0,
                _ => true,
            };
    }

    /// <summary>Whether it takes its own wish back: ash the warmth out of a warm wish, warmth the ash out of an ash; a tenth of red against the green of an ash is another matter (SH6).</summary>
    internal bool Fights(in MixSums m) =>
        Wish.Tone.Families.All(Dye.Warm) ? m.Cool > 0 : Wish.Tone.Families.All(Ash) && (m.Yellow > 0 || m.Warm > (AshShows ? Values.RedAgainstAsh + 1e-9 : 0));

    private bool Opposed(in MixSums m)
    {
        double spare = AshShows ? Values.RedAgainstAsh + 1e-9 : 0;
        return (m.Green > 0 && m.Red > spare) || (m.Blue > 0 && m.Copper > spare) || (m.Violet > 0 && m.Yellow > 0);
    }
}
