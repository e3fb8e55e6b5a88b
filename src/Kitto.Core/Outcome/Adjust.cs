using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Outcome;

/// <summary>The next formula from the last one and how it came out: one thing at a time, by a known step (OU1 to OU5).</summary>
public static class Adjust
{
    /// <summary>Last time's formula, changed in at most one thing; null when last time says nothing about what is wished now.</summary>
    internal static IReadOnlyList<MixPart>? Next(LastTime? last, FormulaUse use, Line line, Level level, Tone tone, ICollection<Reason> why)
    {
        if (
            last?.Formula is not { } formula
            || formula.Use != use
            || formula.Parts.Any(p => line.Find(p.Shade) is null || line.Out.Contains(p.Shade))
            || !Serves(formula.Parts, level, tone)
        )
        {
            return null;
        }

        if (last.Result is not { } result)
        {
            why.Add(new SameAsBefore(last.DaysAgo));
            return formula.Parts;
        }

        var (step, parts) = Step(result, formula.Parts, line, level);
        why.Add(new ReportAsks(last.DaysAgo, step));
        if (new[] { result.Coverage != Coverage.Full, result.Depth != Depth.Right, result.Tone != ToneOutcome.Right }.Count(x => x) > 1)
        {
            why.Add(new OneAtATime());
        }

        return parts;
    }

    /// <summary>Mean level of the parts that have depth.</summary>
    public static double MeanLevel(IReadOnlyList<MixPart> parts)
    {
        var deep = parts.Select(p => (Shade: ShadeOf.Parse(p.Shade)!, p.Share.Value)).Where(p => p.Shade.Level > 0).ToList();
        return deep.Count == 0 ? 0 : deep.Sum(p => p.Shade.Level * p.Value) / deep.Sum(p => p.Value);
    }

    private static bool Serves(IReadOnlyList<MixPart> parts, Level level, Tone tone) =>
        Math.Abs(MeanLevel(parts) - level.Value) <= Values.HalfLevel + 1e-9
        && tone.Families.All(f => f is Family.N or Family.NN || parts.Any(p => ShadeOf.Parse(p.Shade)?.Family == f));

    /// <summary>The one known step that a result asks for (OU2 to OU5), and the mix with it.</summary>
    internal static (MixStep Step, IReadOnlyList<MixPart> Parts) Step(Result result, IReadOnlyList<MixPart> parts, Line line, Level level)
    {
        var main = parts.Where(p => line.Find(p.Shade) is { Level: > 0 }).MaxBy(p => p.Share.Value) ?? parts[0];
        var shade = line.Find(main.Shade)!;
        switch (result)
        {
            case { AllRight: true }:
                return (new("SH1", MixStepKind.CameRight), parts);
            case { Coverage: Coverage.GreyShows }:
                if (
                    parts.Where(p => ShadeOf.Parse(p.Shade)?.Family is not (Family.N or Family.NN or null)).MaxBy(p => p.Share.Value) is { } toned
                    && line.Find(Family.N, ShadeOf.Parse(toned.Shade)!.Level is var l and > 0 ? l : shade.Level) is { } plain
                )
                {
                    return (new("OU2", MixStepKind.WhiteToPlain, toned.Shade, plain.Code), Move(parts, toned, plain.Code, Part(toned)));
                }

                return line.Find(Family.NN, shade.Level) is { } cover && cover.Code != main.Shade
                    ? Joins("OU2", MixStepKind.WhiteToCover, cover)
                    : (new("OU2", MixStepKind.WhiteNoStepLeft), parts);
            case { Coverage: Coverage.Patchy }:
                return (new("OU4", MixStepKind.PatchesNotShade), parts);
            case { Depth: Depth.TooLight, Tone: ToneOutcome.TooWarm } when line.Find(shade.Family ?? Family.N, shade.Level - 1) is { } down:
                return Joins("OU3", MixStepKind.WarmAndLight, down);
            case { Depth: Depth.TooDark } when line.Find(shade.Family ?? Family.N, shade.Level + 1) is { } lighter:
                return Joins("OU2", MixStepKind.TooDark, lighter);
            case { Depth: Depth.TooLight } when line.Find(shade.Family ?? Family.N, shade.Level - 1) is { } deeper:
                return Joins("OU2", MixStepKind.TooLight, deeper);
            case { Tone: ToneOutcome.TooWarm } when Toned(line, Against(level), shade.Level) is { } cool:
                return Tones("OU2", MixStepKind.TooWarm, cool);
            case { Tone: ToneOutcome.TooCool } when Toned(line, Family.G, shade.Level) is { } gold:
                return Tones("OU2", MixStepKind.TooCool, gold);
            case { Tone: ToneOutcome.Green } when Toned(line, Family.R, shade.Level) is { } red:
                return Tones("OU5", MixStepKind.GreenCast, red);
            default:
                return (new("OU2", MixStepKind.NoStep), parts);
        }

        (MixStep, IReadOnlyList<MixPart>) Joins(string rule, MixStepKind kind, ShadeOf comes) =>
            (new(rule, kind, main.Shade, comes.Code), Move(parts, main, comes.Code, Part(main)));
        (MixStep, IReadOnlyList<MixPart>) Tones(string rule, MixStepKind kind, ShadeOf comes) =>
            (new(rule, kind, main.Shade, comes.Code), Move(parts, main, comes.Code, Values.ToneStep));
    }

    /// <summary>The opposite of the warmth at a level (SH2, SH3).</summary>
    private static Family Against(Level level) =>
        level.Value switch
        {
            <= 4 => Family.AG,
            < 8 => Family.AB,
            _ => Family.V,
        };

    private static ShadeOf? Toned(Line line, Family family, int level) =>
        line.Shades.FirstOrDefault(s => s.Concentrate && s.Family == family) ?? line.Find(family, level);

    private static double Part(MixPart part) =>
        part.Share.Value >= .99 ? .5
        : part.Share.Value >= .5 ? .25
        : part.Share.Value / 2;

    private static IReadOnlyList<MixPart> Move(IReadOnlyList<MixPart> parts, MixPart from, string to, double step) =>
        [
            .. parts
                .Append(new MixPart(to, Share.Of(0)))
                .GroupBy(p => p.Shade)
                .Select(g => new MixPart(
                    g.Key,
                    Share.Of(Math.Round(Math.Clamp(g.Sum(p => p.Share.Value) + (g.Key == to ? step : 0) - (g.Key == from.Shade ? step : 0), 0, 1), 9))
                ))
                .Where(p => p.Share.Value > 0),
        ];
}
