using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Bench;

/// <summary>Ordinary heads, and what of a proposal a colourist would not sign: SH5, SH16 to SH22 and SV14 reckoned anew from what is written in the answer, without the search's own rules.</summary>
public static class Signable
{
    private static readonly string[] Textures = ["fine", "medium", "coarse"],
        Tones = ["N", "G", "C", "AB", "V"];
    private static readonly int[] White = [0, 10, 30, 50, 70, 90];

    /// <summary>Levels 2 to 8, no white to 90 %, three textures, all services, five tones, as case documents.</summary>
    public static IEnumerable<(string Says, string Case)> Heads()
    {
        foreach (var service in Enum.GetValues<Service>())
        {
            foreach (string tone in Tones)
            {
                for (int level = 2; level <= 8; level++)
                {
                    foreach (int white in White)
                    {
                        foreach (string texture in Textures)
                        {
                            yield return ($"{Json.Name(service)} {level} {white} % {tone} {texture}", Write(service, level, white, texture, tone));
                        }
                    }
                }
            }
        }
    }

    /// <summary>The rules that a proposal breaks; empty where she would sign it.</summary>
    public static IReadOnlyList<string> Broken(Case c, Prescription p, Shelf shelf)
    {
        var broken = new List<string>();
        for (int i = 0; i < p.Formulas.Count; i++)
        {
            var f = p.Formulas[i];
            if (Wished(c, f.Use) is { } wish && shelf.Find(f.Line) is { Kind: not LineKind.Lightener } line)
            {
                broken.AddRange(Mix(c, f, line, wish, p));
            }
        }

        if (p.Strand.SelectMany(z => z.Stretches).Any(r => Spoiled(c, r)))
        {
            broken.Add("SV14");
        }

        return broken;
    }

    private static IEnumerable<string> Mix(Case c, Formula f, Line line, (double Level, Tone Tone, bool Roots) wish, Prescription p)
    {
        var parts = f.Mix().Select(m => (Of: ShadeOf.Parse(m.Shade)!, Share: m.Share.Value)).ToList();
        var deep = parts.Where(x => x.Of.Level > 0).ToList();
        double Share(params Family[] some) => parts.Where(x => x.Of.Family is { } own && some.Contains(own)).Sum(x => x.Share);
        double white = wish.Roots ? c.Reading.DecisiveGrey.Value : 0,
            clear = parts.Where(x => x.Of.Family is null).Sum(x => x.Share);
        if (clear > .999)
        {
            yield break;
        }

        bool natural = wish.Roots && c.Reading.Hair.Roots is null,
            lifts = natural && line.IsPermanent && f.Developer.Volume.Value > 10;
        bool grabs = line.Kind == LineKind.Gloss && (c.Reading.Hair.Lengths.Bright || c.Reading.Hair.Porosity == Porosity.High);
        if (line.Kind != LineKind.HighLift)
        {
            double mean = deep.Sum(x => x.Of.Level * x.Share) / deep.Sum(x => x.Share),
                above = lifts || grabs ? 1 : .5;
            if (
                mean < wish.Level - .5 - 1e-6
                || mean > wish.Level + above + 1e-6
                || (!lifts && deep.Any(x => wish.Level - x.Of.Level > 1.001 || x.Of.Level - wish.Level > (grabs ? 1.501 : 1.001)))
            )
            {
                yield return "SH16";
            }

            if (deep.Max(x => x.Of.Level) - deep.Min(x => x.Of.Level) > 1)
            {
                yield return "SH17";
            }
        }

        double neutral = Share(Family.N, Family.NN),
            wanted = white switch
            {
                < .25 => 0,
                < .5 => .25,
                <= .75 => .5,
                _ => .75,
            };
        if (neutral < wanted - 1e-6 && !(wanted > .5 && Share(Family.NN) >= .5 - 1e-6))
        {
            yield return "SH5";
        }

        // Where the line has none of the family near the wish, a concentrate or the other ash stands in, or neutral does, and that is said.
        bool near = line.InStock.Any(s =>
            s.Level > 0
            && s.Family is { } own
            && wish.Tone.Families.Contains(own)
            && (line.Kind == LineKind.HighLift || Math.Abs(s.Level - wish.Level) <= (lifts || grabs ? 1.5 : 1))
        );
        bool said = !near && !wish.Tone.IsNeutral && p.Because.Any(b => b is { Rule: "SH18", About: Topic.Attention });
        double family = said ? 1 : parts.Where(x => x.Of.Level > 0 && x.Of.Family is { } own && wish.Tone.Families.Contains(own)).Sum(x => x.Share);
        if (wish.Tone.IsNeutral ? neutral < .5 * (1 - clear) - 1e-6 : family < (wanted > .5 ? .25 : 1.0 / 3) * (1 - clear) - 1e-6)
        {
            yield return "SH18";
        }

        double spare = white >= .25 ? .1 + 1e-6 : 0;
        if (
            (Share(Family.AG) > 0 && Share(Family.R) > spare)
            || (Share(Family.AB) > 0 && Share(Family.C) > spare)
            || (Share(Family.V) > 0 && Share(Family.G, Family.B) > 0)
        )
        {
            yield return "SH19";
        }

        var strong = parts.Where(x => x.Of.Concentrate).ToList();
        if (strong.Count > 1 || strong.Sum(x => x.Share) > (wish.Level <= 4 ? .15 : .1) + 1e-6)
        {
            yield return "SH20";
        }

        if (parts.Count > 3 || (c.Goal.How != How.QuickTone && Earned(p, parts.Count) is false && f == p.Formulas[0]))
        {
            yield return "SH21";
        }

        if (
            wish.Roots
            && !wish.Tone.Families.Any(x => x is Family.AG or Family.AB)
            && p.Forecast.PerZone.Any(z => z.Lab[1] < 0 || (z.Grey.Value >= .1 && z.After.White?.Lab[1] < 0))
        )
        {
            yield return "SH22";
        }
    }

    /// <summary>Whether one part fewer that stands beside it is further by more than 1.5, less the half that counts as alike; null where none stands there.</summary>
    private static bool? Earned(Prescription p, int parts) =>
        p.Alternatives.Where(a => a.Parts.Count == parts - 1).Select(a => (double?)a.DeltaE).Min() is { } fewer
            ? fewer - p.Forecast.DeltaE > 1.5 - .5 - .011
            : null;

    /// <summary>Whether lengths or ends come out deeper by more than half a level, and nobody wished it.</summary>
    private static bool Spoiled(Case c, StrandRow row)
    {
        if (row is not { Stretch: Stretch.Lengths or Stretch.Ends, Does: not Does.Blend, After: { } after, Today: { } today })
        {
            return false;
        }

        var hair = c.Reading.Hair.Lengths;
        bool own = c.Goal.Lengths is not null || c.Goal.Service == Service.Gloss;
        bool refresh =
            c.Goal.Service == Service.RootAndRefresh
            && !hair.Bright
            && hair.Level.Value - (c.Goal.Level ?? hair.Level).Value <= 1
            && hair.Tone.SameAs(c.Goal.Tone ?? hair.Tone);
        var wish =
            c.Goal.Lengths is { } l ? (Level: l.Level ?? hair.Level, Tone: l.Tone ?? hair.Tone)
            : own || refresh ? (Level: c.Goal.Level ?? hair.Level, Tone: c.Goal.Tone ?? hair.Tone)
            : (hair.Level, hair.Tone);
        double floor = Dye.Look(Math.Max(1, Math.Min(hair.Level.Value, wish.Level.Value) - .5), wish.Tone).Lab.L;
        return after.Lab[0] < Math.Min(floor, today.Lab[0]) - .011;
    }

    /// <summary>What a formula is for; null for what follows another's wish.</summary>
    private static (double Level, Tone Tone, bool Roots)? Wished(Case c, FormulaUse use)
    {
        var hair = c.Reading.Hair;
        var (level, tone) = ((c.Goal.Level ?? hair.Lengths.Level).Value, c.Goal.Tone ?? hair.Lengths.Tone);
        return use switch
        {
            FormulaUse.Roots => (level, tone, true),
            FormulaUse.Shadow when c.Goal.Level is not null => (level, tone, true),
            FormulaUse.Lengths when c.Goal.Service == Service.Gloss => (level, tone, false),
            FormulaUse.Lengths when c.Goal.Lengths is { } l => ((l.Level ?? hair.Lengths.Level).Value, l.Tone ?? hair.Lengths.Tone, false),
            _ => null,
        };
    }

    private static string Write(Service service, int level, int white, string texture, string tone)
    {
        // The wish and the lengths that a client who asks for this service brings.
        var (wish, lengths) = service switch
        {
            Service.RootAndRefresh => (level + "", $$"""{ "level": {{level + .5}}, "tone": "{{tone}}", "history": "permanent" }"""),
            Service.Gloss => (Math.Max(6, level) + "", $$"""{ "level": {{Math.Max(6, level)}}, "tone": "G", "history": "lightened" }"""),
            Service.RootAndGloss => (level + "", """{ "level": 9, "tone": "B", "history": "lightened", "highlighted": true }"""),
            Service.RootShadow => (level + "", $$"""{ "level": {{Math.Min(10, level + 3)}}, "tone": "B", "history": "lightened" }"""),
            Service.BaseLift or Service.Lighten => (level + 2 + "", $$"""{ "level": {{Math.Min(10, level + 4)}}, "tone": "B", "history": "lightened" }"""),
            _ => (level + "", $$"""{ "level": {{level}}, "tone": "{{tone}}", "history": "permanent" }"""),
        };
        return $$"""
            { "kitto": "case/1", "client": { "ageYears": 44 }, "hair": { "texture": "{{texture}}", "density": "medium", "porosity": "normal", "naturalLevel": {{level}}, "lengthCm": 35, "lengths": {{lengths}} },
              "allZones": { "regrowthMm": 18, "greyPercent": {{white}} }, "goal": { "service": "{{Json.Name(
                service
            )}}", "level": {{wish}}, "tone": "{{tone}}" }, "hands": { "who": "alone", "practised": true } }
            """;
    }
}
