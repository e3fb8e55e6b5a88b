using System.Text.Json.Nodes;

namespace Kitto.Core.Learning;

/// <summary>What makes a plain head one of its kind.</summary>
public static partial class StudyHeads
{
    /// <summary>A brassy stretch past the line, to be kept out of a touch-up, or toned by itself.</summary>
    private static void Band(JsonObject c, Lots lots, int natural)
    {
        c["hair"]!["band"] = new JsonObject
        {
            ["lengthMm"] = lots.Between(3, 7) * 5,
            ["level"] = natural + 1,
            ["tone"] = lots.Of("G", "C"),
        };
        if (natural >= 5 && lots.OneIn(2))
        {
            c["goal"]!["service"] = "gloss";
        }
    }

    /// <summary>Roots back to their own level under bright lengths that must not go deeper, or the lengths toned.</summary>
    private static void Lightened(JsonObject c, Lots lots, int natural)
    {
        int level = lots.Between(8, 9);
        bool gloss = lots.OneIn(2);
        c["hair"]!["lengths"] = new JsonObject
        {
            ["level"] = level,
            ["tone"] = gloss ? "G" : "B",
            ["history"] = "lightened",
            ["highlighted"] = true,
        };
        c["goal"] = gloss
            ? new JsonObject
            {
                ["service"] = "gloss",
                ["level"] = level,
                ["tone"] = lots.Of("B", "V", "N"),
            }
            : new JsonObject
            {
                ["service"] = "rootTouchUp",
                ["level"] = natural,
                ["tone"] = "N",
            };
    }

    private static void Lift(JsonObject c, int natural)
    {
        c["hair"]!["lengths"] = new JsonObject
        {
            ["level"] = natural + 2,
            ["tone"] = "G",
            ["history"] = "lightened",
            ["highlighted"] = true,
        };
        c["goal"] = new JsonObject
        {
            ["service"] = "baseLift",
            ["level"] = natural + 2,
            ["tone"] = "N",
        };
    }

    /// <summary>Earlier kits that ran out, so that these hands are known to use more.</summary>
    private static void RunsOut(JsonObject c, Lots lots)
    {
        c["client"]!["firstKit"] = false;
        c["hands"]!["practised"] = true;
        c["hands"]!["history"] = new JsonArray([
            .. Enumerable
                .Range(1, lots.Between(2, 3))
                .Select(i =>
                {
                    int reckoned = lots.Between(30, 45);
                    return new JsonObject
                    {
                        ["baseGrams"] = reckoned,
                        ["sentGrams"] = Math.Round(reckoned * 1.3) + 4,
                        ["residueGrams"] = 4,
                        ["ranOut"] = true,
                        ["daysAgo"] = i * 40,
                    };
                }),
        ]);
    }

    private static void Salon(JsonObject c, Lots lots, int natural)
    {
        var (goal, hair) = (c["goal"]!, c["hair"]!);
        switch (lots.Between(1, 4))
        {
            case 1:
                // Three levels and more on natural hair.
                goal["level"] = natural + 3;
                goal["tone"] = "N";
                break;
            case 2:
                // Coloured lengths that shall come out lighter.
                goal["service"] = "rootAndGloss";
                goal["lengths"] = new JsonObject { ["level"] = natural + 2, ["tone"] = "N" };
                break;
            case 3:
                goal["service"] = "lighten";
                goal["level"] = natural + 2;
                break;
            default:
                // Still warm lengths that shall be pale.
                hair["lengths"] = new JsonObject
                {
                    ["level"] = 7,
                    ["tone"] = "C",
                    ["history"] = "lightened",
                };
                c["goal"] = new JsonObject
                {
                    ["service"] = "gloss",
                    ["level"] = 9,
                    ["tone"] = "B",
                };
                break;
        }
    }
}
