using System.Globalization;
using System.Text.Json.Nodes;
using CsCheck;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;
using Kitto.Tests;

namespace Kitto.Core.Tests;

/// <summary>The demo shelf, a plain case to change one fact of, and generated heads.</summary>
internal static class Bench
{
    public static string Root => Project.Root;

    public static Shelf Shelf => Project.Shelf;

    /// <summary>Five neutral, fifteen millimetres, a fifth white, alone: a case every rule can be reached from by one fact.</summary>
    public static JsonObject PlainJson() =>
        JsonNode
            .Parse(
                """
                {
                  "kitto": "case/1",
                  "client": { "ageYears": 44, "skinTest": { "daysAgo": 3, "result": "clear", "line": "lantern-cream" } },
                  "hair": { "naturalLevel": 5, "lengthCm": 35, "lengths": { "level": 5, "tone": "N", "history": "permanent" } },
                  "allZones": { "regrowthMm": 15, "greyPercent": 20 },
                  "goal": { "service": "rootTouchUp" }
                }
                """
            )!
            .AsObject();

    /// <summary>The plain case with facts set, written "path=value; path=value" with JSON values.</summary>
    public static string With(string facts)
    {
        var root = PlainJson();
        foreach (string fact in facts.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var (path, value) = (fact[..fact.IndexOf('=')].Trim(), fact[(fact.IndexOf('=') + 1)..].Trim());
            string[] steps = path.Split('.');
            var at = root;
            foreach (string step in steps[..^1])
            {
                at = (at[step] ??= new JsonObject()).AsObject();
            }

            if (value == "-")
            {
                at.Remove(steps[^1]);
            }
            else
            {
                at[steps[^1]] = JsonNode.Parse(value);
            }
        }

        return root.ToJsonString();
    }

    public static Case Case(string facts = "")
    {
        var (found, errors) = CaseReader.Read(With(facts), Shelf);
        Assert.True(found is not null, string.Join("; ", errors.Select(e => $"{e.Path} {e.Says}")));
        return found;
    }

    public static Prescription Prescribe(string facts = "") => Prescriber.Prescribe(Case(facts), Shelf);

    /// <summary>What the first formula of a case meets, and the rules of its mix.</summary>
    public static (ApplicationTarget ApplicationTarget, MixRules Rules) Met(Case c, Shelf shelf, Lab residual)
    {
        var laid = Prescriber.Lay(c, shelf, [])!;
        return (Core.Colour.ApplicationTarget.Of(laid.Strand.Formulas[0], 0, laid.Strand, laid.Case.Reading, laid.Soften, residual), laid.Rules(0));
    }

    public static IEnumerable<string> Rules(this Prescription p) => p.Because.Select(b => b.Rule);

    /// <summary>Cases over the whole range of heads, wishes, hands and houses that prescribe without a complaint.</summary>
    public static Gen<Case> Cases { get; } =
        from service in Gen.Enum<Service>()
        from natural in Gen.Int[2, 20]
        from shift in Gen.Int[-5, 5]
        from lengths in Gen.Int[-4, 8]
        from grey in Gen.Double[0, 1].Array[9]
        from mm in Gen.Double[0, 300].Array[9]
        from flags in Gen.Bool.Array[20]
        from texture in Gen.Enum<Texture>()
        from density in Gen.Enum<Density>()
        from porosity in Gen.Enum<Porosity>()
        from who in Gen.Enum<Who>()
        from tone in Gen.Enum<Family>()
        from level in Gen.Double[0.8, 0.98]
        select Make(service, natural / 2.0, shift / 2.0, lengths / 2.0, grey, mm, flags, texture, density, porosity, who, tone, level);

    private static Case Make(
        Service service,
        double natural,
        double shift,
        double lengths,
        double[] grey,
        double[] mm,
        bool[] flags,
        Texture texture,
        Density density,
        Porosity porosity,
        Who who,
        Family tone,
        double serviceLevel
    )
    {
        var plain = Case();
        var zones = Enumerable
            .Range(0, 9)
            .Select(i => new ZoneReading(Millimetres.Of(mm[i]), Share.Of(grey[i]), flags[i] && grey[i] > .3, texture, flags[i + 9] || i == 5))
            .ToList();
        var level = Level.Of(Math.Clamp(natural + lengths, 1, 12));
        return plain with
        {
            Reading = plain.Reading with
            {
                Hair = new Hair(
                    texture,
                    density,
                    porosity,
                    Level.Of(natural),
                    35,
                    new Lengths(level, new Core.Shade.Tone(tone), flags[18] ? LengthHistory.Permanent : LengthHistory.Lightened, flags[19]),
                    null
                ),
                Zones = zones,
                Hands = new Hands(who, flags[0], []),
            },
            Goal = new Goal(service, Level.Of(Math.Clamp(natural + shift, 1, 12)), new Core.Shade.Tone(tone), null),
            House = House.Default with { ServiceLevel = serviceLevel },
        };
    }

    public static Gen<T> Any<T>(params T[] items) => Gen.Int[0, items.Length - 1].Select(i => items[i]);

    public static Tone Tone(string text) => Core.Shade.Tone.TryParse(text, out var tone) ? tone : throw new FormatException(text);

    public static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
