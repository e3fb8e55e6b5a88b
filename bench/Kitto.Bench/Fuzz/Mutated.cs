using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kitto.Core.Contract;

namespace Kitto.Bench.Fuzz;

/// <summary>Makes bad input of good input, and good input of every sort; the same seed always makes the same.</summary>
public sealed class Mutated(int seed)
{
    private readonly Random chance = new(seed);

    /// <summary>Texts that have broken programs before.</summary>
    public static IReadOnlyList<string> Nasty { get; } =
    [
        "",
        " ",
        "\0",
        "a\0b",
        "\u0001",
        "\u202e",
        "\ufeff",
        "NaN",
        "Infinity",
        "-0",
        "1e999",
        "-1e999",
        "1e-320",
        "12,5",
        "0x10",
        "٣",
        "999999999999999999999999",
        "-1",
        "0",
        "null",
        "true",
        "[]",
        "{}",
        "<script>alert(1)</script>",
        "' or 1=1 --",
        "%00",
        "../../etc/passwd",
        "𝟝N",
        "🙂",
        new string('x', 100),
        new string('9', 400),
        "5N:1 5N:1",
        "LT",
        "00",
        "0R",
        "13N",
        "11N",
        "=1+1",
    ];

    private static readonly string[] NastyJson =
    [
        "null",
        "true",
        "false",
        "0",
        "-1",
        "1e308",
        "-1e308",
        "1e-308",
        "0.30000000000000004",
        "1e999",
        "\"\"",
        "\"NaN\"",
        "\"\\ud800\"",
        "\"\\udc00x\"",
        "\"\\u0000\"",
        "[]",
        "{}",
        "[[[[[[[[[[[[[[[[[[1]]]]]]]]]]]]]]]]]]",
        "[null]",
        "{\"x\":1}",
        "\"5N\"",
        "\"LT\"",
        "999999999999",
        "-0.0",
        "12.25",
        "300",
        "300.0001",
        "120",
        "1",
        "40",
        "20",
        "0.001",
    ];

    private static readonly int[] Strengths = [1, 3, 6, 9, 10, 12, 15, 20, 21, 25, 30, 35, 40];

    private static readonly string[] NoDepth = ["0R", "0G", "0B", "0V", "00"];

    private static readonly Dictionary<string, string[]> Words = new()
    {
        ["service"] = ["rootTouchUp", "rootAndRefresh", "gloss", "rootAndGloss", "rootShadow", "baseLift", "greyBlend", "lighten"],
        ["tone"] = ["N", "NN", "AG", "AB", "V", "G", "C", "R", "B", "GC", "AB/V", "RC"],
        ["texture"] = ["fine", "medium", "coarse"],
        ["density"] = ["low", "medium", "high"],
        ["porosity"] = ["low", "normal", "high"],
        ["who"] = ["trained", "helper", "alone"],
        ["history"] = ["virgin", "permanent", "demi", "gloss", "lightened", "boxDye", "unknown"],
        ["lengthsCondition"] = ["dry", "damp"],
        ["coverage"] = ["full", "patchy", "greyShows"],
        ["scalp"] = ["sound", "sensitive"],
        ["depth"] = ["right", "tooLight", "tooDark"],
        ["result"] = ["clear", "right", "tooLight"],
        ["frame"] = ["paint", "leaveOut"],
        ["how"] = ["usual", "quickTone", "twoSteps"],
        ["order"] = ["outlineFirst", "backFirst", "frontFirst", "toAndFro", "worstFirst"],
    };

    /// <summary>A case that is legal in every field, over the whole range; what the fields are together is left to chance.</summary>
    public JsonObject Legal(IReadOnlyList<string> lines, IReadOnlyList<string> shades)
    {
        double Half(double from, double to) => from + chance.Next((int)((to - from) * 2) + 1) / 2.0;
        bool Flip(double p = .5) => chance.NextDouble() < p;
        string One(string of) => Words[of][chance.Next(Words[of].Length)];
        JsonNode? Some(double p, Func<JsonNode?> make) => Flip(p) ? make() : null;
        double Far(double to) => Flip(.8) ? Math.Round(chance.NextDouble() * Math.Min(to, 40), 1) : Math.Round(chance.NextDouble() * to, 1);
        string Day(int from, int to) => new DateOnly(2027, 3, 1).AddDays(chance.Next(from, to)).ToString("yyyy-MM-dd");
        JsonObject Zone() =>
            new()
            {
                ["regrowthMm"] = Far(300),
                ["greyPercent"] = chance.Next(101),
                ["resistant"] = Flip(.2),
                ["texture"] = One("texture"),
                ["include"] = Flip(.9),
            };
        string[] zones = ["frontHairline", "leftTemple", "rightTemple", "leftFront", "rightFront", "crown", "leftBack", "rightBack", "nape"];
        var c = new JsonObject
        {
            ["kitto"] = "case/1",
            ["client"] = new JsonObject
            {
                ["ageYears"] = chance.Next(16, 100),
                ["firstKit"] = Flip(),
                ["pregnant"] = Flip(.1),
                ["scalp"] = One("scalp"),
                ["newMedicine"] = Flip(.1),
            },
            ["hair"] = new JsonObject
            {
                ["texture"] = One("texture"),
                ["density"] = One("density"),
                ["porosity"] = One("porosity"),
                ["naturalLevel"] = Half(1, 10),
                ["lengthCm"] = Flip(.8) ? chance.Next(30, 70) : chance.Next(1, 121),
                ["lengths"] = new JsonObject
                {
                    ["level"] = Half(1, 12),
                    ["tone"] = One("tone"),
                    ["history"] = One("history"),
                    ["highlighted"] = Flip(.3),
                },
                ["roots"] = Some(.1, () => new JsonObject { ["level"] = Half(1, 12), ["tone"] = One("tone") }),
                ["band"] = Some(
                    .3,
                    () =>
                        new JsonObject
                        {
                            ["lengthMm"] = Far(1200),
                            ["level"] = Half(1, 12),
                            ["tone"] = One("tone"),
                        }
                ),
            },
            ["allZones"] = new JsonObject { ["regrowthMm"] = Far(300), ["greyPercent"] = chance.Next(101) },
            ["zones"] = Some(.4, () => new JsonObject(zones.Where(_ => Flip(.4)).Select(z => KeyValuePair.Create(z, (JsonNode?)Zone())))),
            ["goal"] = new JsonObject
            {
                ["service"] = One("service"),
                ["level"] = Some(.8, () => Half(1, 12)),
                ["tone"] = Some(.8, () => One("tone")),
                ["lengthsCondition"] = Some(.2, () => One("lengthsCondition")),
                ["lengths"] = Some(
                    .2,
                    () => Flip(.2) ? new JsonObject { ["clear"] = true } : new JsonObject { ["level"] = Half(1, 12), ["tone"] = Some(.8, () => One("tone")) }
                ),
                ["frame"] = Some(.1, () => One("frame")),
                ["how"] = Some(.2, () => One("how")),
                ["tailMm"] = Some(.1, () => chance.Next(10, 101)),
            },
            ["hands"] = new JsonObject
            {
                ["who"] = One("who"),
                ["practised"] = Flip(),
                ["history"] = Some(
                    .2,
                    () =>
                        new JsonArray(
                            new JsonObject
                            {
                                ["baseGrams"] = chance.Next(20, 90),
                                ["sentGrams"] = 140,
                                ["leftGrams"] = chance.Next(60),
                                ["ranOut"] = Flip(.2),
                            }
                        )
                ),
            },
            ["painting"] = Some(.1, () => new JsonObject { ["order"] = One("order") }),
            ["last"] = Some(
                .2,
                () =>
                    new JsonObject
                    {
                        ["daysAgo"] = chance.Next(200),
                        ["formula"] = new JsonObject { ["parts"] = new JsonArray(new JsonObject { ["shade"] = "5N", ["share"] = 1 }) },
                        ["outcome"] = new JsonObject { ["coverage"] = One("coverage"), ["depth"] = One("depth") },
                    }
            ),
            ["line"] = Some(.5, () => lines[chance.Next(lines.Count)]),
            ["plan"] = Some(
                .2,
                () =>
                    new JsonObject
                    {
                        ["today"] = Day(0, 10),
                        ["wantBy"] = Day(11, 120),
                        ["postDays"] = new JsonArray("tuesday", "friday"),
                        ["transitDays"] = chance.Next(15),
                    }
            ),
            ["house"] = Some(
                .5,
                () =>
                    new JsonObject
                    {
                        ["serviceLevel"] = Math.Round(.8 + chance.NextDouble() * .18, 3),
                        ["scaleStepGrams"] = Any(.01, .1, 1.0, 5.0),
                        ["schools"] = new JsonObject(
                            Kitto
                                .Core.Trade.Schools.Options.Where(_ => Flip(.3))
                                .Select(o => KeyValuePair.Create(o.Key, (JsonNode?)o.Value[chance.Next(o.Value.Count)]))
                        ),
                    }
            ),
            ["formula"] = Some(
                .15,
                () =>
                    new JsonObject
                    {
                        ["use"] = Any("roots", "lengths", "shadow"),
                        ["parts"] = new JsonArray(new JsonObject { ["shade"] = shades[chance.Next(shades.Count)], ["share"] = 1 }),
                        ["developerVolume"] = Some(.7, () => Any(1, 5, 6, 9, 10, 15, 20, 21, 25, 30, 40)),
                    }
            ),
        };
        return c;
    }

    /// <summary>The text of a document with one to four things done to it.</summary>
    public string Broken(JsonObject good)
    {
        string text = good.ToJsonString(Json.Options);
        for (int times = chance.Next(1, 5); times > 0; times--)
        {
            text = chance.Next(12) switch
            {
                0 => text[..chance.Next(text.Length)],
                1 => text.Insert(chance.Next(text.Length), "{}[],:\"\\\0"[chance.Next(9)].ToString()),
                2 => text.Remove(chance.Next(text.Length), 1),
                3 when text.Length > 40 => text + text[..20],
                4 when text.IndexOf('{', chance.Next(text.Length)) is >= 0 and var at => text.Insert(at + 1, "\"\\ud800\":1,"),
                _ => Inside(text),
            };
        }

        // One case a line.
        return text.ReplaceLineEndings(" ");
    }

    /// <summary>Something in the tree replaced, taken out, renamed or put in twice.</summary>
    private string Inside(string text)
    {
        JsonNode? root;
        try
        {
            root = JsonNode.Parse(text);
        }
        catch (Exception broken) when (broken is JsonException or ArgumentException or InvalidOperationException)
        {
            return text;
        }

        if (root is not JsonObject o)
        {
            return text;
        }

        try
        {
            var all = new List<JsonObject>();
            void Gather(JsonNode? at)
            {
                if (at is JsonObject x)
                {
                    all.Add(x);
                    x.ToList().ForEach(p => Gather(p.Value));
                }
                else if (at is JsonArray list)
                {
                    list.ToList().ForEach(Gather);
                }
            }

            Gather(o);
            var here = all[chance.Next(all.Count)];
            string mark = "~" + chance.Next().ToString(CultureInfo.InvariantCulture) + "~";
            string? name = here.Count == 0 ? null : here.ElementAt(chance.Next(here.Count)).Key;
            switch (chance.Next(6))
            {
                case 0 when name is not null:
                    here.Remove(name);
                    break;
                case 1:
                    here[Nasty[chance.Next(Nasty.Count)] + "x"] = 1;
                    break;
                case 2 when name is not null:
                    here[name] = JsonValue.Create(Nasty[chance.Next(Nasty.Count)]);
                    break;
                case 3 when name is not null && here[name] is JsonValue v && v.TryGetValue(out double number):
                    here[name] = number * Any(-1, 10, .1, 1.37, 0, 1e6);
                    break;
                default:
                    if (name is null)
                    {
                        break;
                    }

                    here[name] = mark;
                    return o.ToJsonString(Json.Options).Replace($"\"{mark}\"", NastyJson[chance.Next(NastyJson.Length)], StringComparison.Ordinal);
            }

            return o.ToJsonString(Json.Options);
        }
        catch (Exception odd) when (odd is InvalidOperationException or ArgumentException)
        {
            return text;
        }
    }

    /// <summary>A line that a salon might keep: every field within its range, strengths, shades and times at random; some hold what a line may not.</summary>
    public JsonObject AnyLine(string id)
    {
        string kind = Any("permanent", "highLift", "demi", "gloss", "lightener");
        int[] strengths = [.. Strengths.Where(_ => chance.NextDouble() < .25)];
        if (strengths.Length == 0)
        {
            strengths = [Any(6, 10, 20, 25, 30, 40)];
        }

        string[] families = ["N", "NN", "AG", "AB", "V", "G", "C", "R", "B"];
        var shades = new List<string>();
        if (kind == "lightener" || chance.NextDouble() < .03)
        {
            shades.Add("LT");
        }

        if (kind != "lightener" || chance.NextDouble() < .03)
        {
            for (int level = 1; level <= 12; level++)
            {
                shades.AddRange(families.Where(_ => chance.NextDouble() < .12).Select(f => $"{level}{f}"));
            }

            shades.AddRange(NoDepth.Where(_ => chance.NextDouble() < .3));
        }

        double min = chance.Next(0, 40),
            standard = min + chance.Next(1, 30),
            max = standard + chance.Next(0, 20);
        return new JsonObject
        {
            ["kitto"] = "line/1",
            ["id"] = id,
            ["name"] = "Line " + id,
            ["kind"] = kind,
            ["thickness"] = Any("cream", "gel", "liquid"),
            ["developerPerColour"] = Any(.5, 1, 1.5, 2, 3.0),
            ["developers"] = new JsonArray([.. strengths.Select(v => new JsonObject { ["volume"] = v, ["chairOnly"] = chance.Next(4) == 0 })]),
            ["processMinutes"] = standard,
            ["processMin"] = chance.NextDouble() < .02 ? max + 5 : min,
            ["processMax"] = max,
            ["workingLifeMinutes"] = chance.Next(10, 60),
            ["longestContactMinutes"] = max + chance.Next(0, 30),
            ["tubeGrams"] = chance.Next(30, 500),
            ["skinTestMonths"] = chance.Next(7),
            ["shades"] = new JsonArray([.. shades.Select(s => JsonValue.Create(s))]),
            ["outOfStock"] = new JsonArray([.. shades.Where(_ => chance.NextDouble() < .1).Select(s => JsonValue.Create(s))]),
        };
    }

    private T Any<T>(params T[] of) => of[chance.Next(of.Length)];

    /// <summary>Whether something that happens so often happens now.</summary>
    public bool Happens(double often) => chance.NextDouble() < often;

    /// <summary>A whole number from 0 to below.</summary>
    public int Below(int most) => chance.Next(most);

    /// <summary>One of the nasty texts.</summary>
    public string NastyText() => Nasty[chance.Next(Nasty.Count)];

    /// <summary>A value such as people type, of one sort or another.</summary>
    public string Ordinary() =>
        Any(
            "true",
            "yes",
            "no",
            "5",
            "15",
            "2.5",
            "12,5",
            "40",
            "300",
            "1",
            "0",
            "permanent",
            "henna",
            "sound",
            "broken",
            "rootTouchUp",
            "gloss",
            "baseLift",
            "N",
            "AB",
            "alone",
            "5N:0.8 5AG:0.2",
            "5N:1 @20",
            "lantern-cream",
            "2027-03-01",
            "1980-01-01",
            "2026-11-20T10:30",
            "2026-11-20T10:30+01:00",
            "right",
            "tooDark",
            "clear",
            "full",
            "fine",
            "signed",
            "packed",
            "crown",
            "developer",
            "shade",
            "TM2:firstStroke",
            "tove",
            new Guid(Below(int.MaxValue), 1, 2, 3, 4, 5, 6, 7, 8, 9, 10).ToString(),
            "some words that mean nothing"
        );

    /// <summary>Bytes that are no picture, or one that is cut, swollen or lies about its size.</summary>
    public byte[] File(byte[] good)
    {
        byte[] file = [.. good];
        switch (chance.Next(5))
        {
            case 0:
                return file[..chance.Next(file.Length)];
            case 1:
                chance.NextBytes(file);
                return file;
            case 2:
                return Encoding.UTF8.GetBytes("{\"kitto\":\"line/1\",\"id\":\"" + NastyText() + "\"}");
            case 3:
                return Encoding.Latin1.GetBytes("line,shade,level,family,inStock\n" + NastyText() + "," + NastyText() + ",5,N,yes\n");
            default:
                for (int i = chance.Next(1, 30); i > 0; i--)
                {
                    file[chance.Next(file.Length)] = (byte)chance.Next(256);
                }

                return file;
        }
    }
}
