using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core.Outcome;

/// <summary>The next formula from the last one and how it came out: one thing at a time, by a known step (OU1 to OU5).</summary>
public static class Adjust
{
    /// <summary>Last time's formula, changed in at most one thing; null when last time says nothing about what is wished now.</summary>
    public static IReadOnlyList<MixPart>? Next(LastTime? last, string use, Line line, Level level, Tone tone, ICollection<Because> why)
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

        string when = last.DaysAgo is { } days ? $"the kit of {days} days ago" : "last time";
        if (last.Result is not { } result)
        {
            why.Add(new Because("SH1", $"The same shades in the same shares as {when} give the same result.", Topic.Shade));
            return formula.Parts;
        }

        var (rule, says, parts) = Step(result, formula.Parts, line, level);
        why.Add(new Because(rule, $"Her report on {when}: {says}", Topic.Shade));
        if (new[] { result.Coverage != Coverage.Full, result.Depth != Depth.Right, result.Tone != ToneOutcome.Right }.Count(x => x) > 1)
        {
            why.Add(new Because("OU1", "More than one thing was not right; one is changed at a time, the rest is looked at next time.", Topic.Shade));
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

    /// <summary>The one known step that a result asks for (OU2 to OU5): the rule, the sentence, and the mix with it.</summary>
    public static (string Rule, string Says, IReadOnlyList<MixPart> Parts) Step(Result result, IReadOnlyList<MixPart> parts, Line line, Level level)
    {
        var main = parts.Where(p => line.Find(p.Shade) is { Level: > 0 }).MaxBy(p => p.Share.Value) ?? parts[0];
        var shade = line.Find(main.Shade)!;
        switch (result)
        {
            case { AllRight: true }:
                return ("SH1", "it came out right, so shades and shares stay as they were.", parts);
            case { Coverage: Coverage.GreyShows }:
                if (
                    parts.Where(p => ShadeOf.Parse(p.Shade)?.Family is not (Family.N or Family.NN or null)).MaxBy(p => p.Share.Value) is { } toned
                    && line.Find(Family.N, ShadeOf.Parse(toned.Shade)!.Level is var l and > 0 ? l : shade.Level) is { } plain
                )
                {
                    return (
                        "OU2",
                        $"white hair showed, so a step of {toned.Shade} becomes {plain.Code}, the white is softened first and gets the full time.",
                        Move(parts, toned, plain.Code, Part(toned))
                    );
                }

                return line.Find(Family.NN, shade.Level) is { } cover && cover.Code != main.Shade
                    ? (
                        "OU2",
                        $"white hair showed, so {cover.Code} takes a step of {main.Shade}, the white is softened first and gets the full time.",
                        Move(parts, main, cover.Code, Part(main))
                    )
                    : ("OU2", "white hair showed: the mix is as neutral as it can be, so the white is softened first and gets the full time.", parts);
            case { Coverage: Coverage.Patchy }:
                return ("OU4", "patches want thinner partings, enough on the brush and a helper, not another shade.", parts);
            case { Depth: Depth.TooLight, Tone: ToneOutcome.TooWarm } when line.Find(shade.Family ?? Family.N, shade.Level - 1) is { } down:
                return (
                    "OU3",
                    $"roots lighter and warmer than the lengths, so half a step deeper: {down.Code} joins {main.Shade}; a weaker developer would do it too.",
                    Move(parts, main, down.Code, Part(main))
                );
            case { Depth: Depth.TooDark } when line.Find(shade.Family ?? Family.N, shade.Level + 1) is { } lighter:
                return ("OU2", $"too dark, so half a step lighter: {lighter.Code} joins {main.Shade}.", Move(parts, main, lighter.Code, Part(main)));
            case { Depth: Depth.TooLight } when line.Find(shade.Family ?? Family.N, shade.Level - 1) is { } deeper:
                return ("OU2", $"too light, so half a step deeper: {deeper.Code} joins {main.Shade}.", Move(parts, main, deeper.Code, Part(main)));
            case { Tone: ToneOutcome.TooWarm } when Toned(line, Against(level), shade.Level) is { } cool:
                return (
                    "OU2",
                    $"too warm, so {Parts.Say(Values.ToneStep)} of its opposite, {cool.Code}, goes in.",
                    Move(parts, main, cool.Code, Values.ToneStep)
                );
            case { Tone: ToneOutcome.TooCool } when Toned(line, Family.G, shade.Level) is { } gold:
                return ("OU2", $"too cool, so {Parts.Say(Values.ToneStep)} of {gold.Code} goes in.", Move(parts, main, gold.Code, Values.ToneStep));
            case { Tone: ToneOutcome.Green } when Toned(line, Family.R, shade.Level) is { } red:
                return (
                    "OU5",
                    $"a green cast, so {Parts.Say(Values.ToneStep)} of {red.Code} goes in. If it was more than slight, the salon puts it right.",
                    Move(parts, main, red.Code, Values.ToneStep)
                );
            default:
                return ("OU2", "this line has no step for the change; the formula stays, and a colourist decides.", parts);
        }
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
