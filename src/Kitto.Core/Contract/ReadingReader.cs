using System.Text.Json;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>Reads the parts of a case that were read off the client: person, hair, zones, hands.</summary>
internal static class ReadingReader
{
    public static ClientFacts Client(ObjectReader r, Shelf? shelf)
    {
        var skin = r.Object("skinTest");
        var strand = r.Object("strandTest");
        var conditions = new List<string>();
        foreach (var (item, i) in (r.List("conditions", 30) ?? []).Select((x, i) => (x, i)))
        {
            if (item.ValueKind == JsonValueKind.String && item.GetString()!.Trim() is { Length: > 0 and <= 80 } text && !text.Any(ObjectText.IsControl))
            {
                conditions.Add(text);
            }
            else
            {
                r.Fail($"conditions[{i}]", "must be a text", $"such as {string.Join(", ", Safety.Conditions.Known.Keys)}, or other words up to 80 characters");
            }
        }

        var client = new ClientFacts(
            r.Require("ageYears", r.Whole("ageYears", 0, 120), "0 to 120"),
            r.Flag("firstKit") ?? true,
            r.Flag("reactions") ?? false,
            r.Flag("blackHenna") ?? false,
            r.Flag("pregnant") ?? false,
            r.OneOf<Scalp>("scalp") ?? Scalp.Sound,
            conditions,
            r.Flag("newMedicine") ?? false,
            r.Whole("chemicalServiceDaysAgo", 0, 3650),
            skin is null
                ? null
                : new SkinTest(
                    skin.Require("daysAgo", skin.Whole("daysAgo", 0, 3650), "0 to 3650"),
                    skin.Require("result", skin.OneOf<SkinResult>("result"), "clear, reacted"),
                    skin.Text("line")
                ),
            strand is null
                ? null
                : new StrandTest(
                    strand.Require("daysAgo", strand.Whole("daysAgo", 0, 3650), "0 to 3650"),
                    strand.Require("result", strand.OneOf<StrandResult>("result"), "right, tooLight, tooDark, tooWarm, tooCool, greyShows, damaged"),
                    strand.Number("minutes", 0, 120)
                )
        );
        if (client.SkinTest?.Line is { } line && shelf is not null && shelf.Find(line) is null)
        {
            skin!.Fail("line", $"is \"{line}\", which is not in the catalogue", string.Join(", ", shelf.Lines.Select(l => l.Id)));
        }

        skin?.Done();
        strand?.Done();
        r.Done();
        return client;
    }

    public static Hair Hair(ObjectReader r)
    {
        var natural = r.Number("naturalLevel", 1, 10, 0.5);
        r.Require("naturalLevel", natural, "1 to 10, halves allowed");
        var level = Level.Of(natural ?? 5);
        double lengthCm = r.Number("lengthCm", 1, 120) ?? CaseReader.DefaultLengthCm;
        var lengths = new Lengths(level, Shade.Tone.Neutral, LengthHistory.Unknown, false);
        if (r.Object("lengths") is { } l)
        {
            lengths = new Lengths(
                Level.Of(l.Number("level", 1, 12, 0.5) ?? level.Value),
                Tone(l) ?? Shade.Tone.Neutral,
                l.OneOf<LengthHistory>("history") ?? LengthHistory.Unknown,
                l.Flag("highlighted") ?? false,
                l.OneOf<MetalTest>("metalTest")
            );
            if (Put(l) is { } timeline)
            {
                // What she told and what was read: the worse of the two holds.
                var told = Timeline.Left(timeline, lengthCm);
                lengths = lengths with
                {
                    Timeline = timeline,
                    History = l.Has("history") ? Timeline.Worse(lengths.History, told) : told,
                    Highlighted = lengths.Highlighted || timeline.Any(p => p.What == Treatment.Highlights && p.CanBeOn(lengthCm)),
                };
            }

            l.Done();
        }

        Band? band = null;
        if (r.Object("band") is { } b)
        {
            band = new Band(
                Millimetres.Of(b.Require("lengthMm", b.Number("lengthMm", 0, 1200), "0 to 1200")),
                Level.Of(b.Number("level", 1, 12, 0.5) ?? lengths.Level.Value),
                Tone(b) ?? Shade.Tone.Neutral
            );
            b.Done();
        }

        LightenedRoots? roots = null;
        if (r.Object("roots") is { } rr)
        {
            roots = new LightenedRoots(
                Level.Of(rr.Require("level", rr.Number("level", 1, 12, 0.5), "1 to 12, halves allowed") is >= 1 and var light ? light : 10),
                Tone(rr) ?? new Tone(Family.G)
            );
            rr.Done();
        }

        var hair = new Hair(
            r.OneOf<Texture>("texture") ?? Texture.Medium,
            r.OneOf<Density>("density") ?? Density.Medium,
            r.OneOf<Porosity>("porosity") ?? Porosity.Normal,
            level,
            lengthCm,
            lengths,
            band
        )
        {
            Roots = roots,
        };
        r.Done();
        return hair;
    }

    private static List<PutOn>? Put(ObjectReader lengths)
    {
        if (!lengths.Has("timeline"))
        {
            return null;
        }

        var found = new List<PutOn>();
        foreach (var entry in lengths.Objects("timeline", 40))
        {
            found.Add(
                new PutOn(
                    entry.Require(
                        "what",
                        entry.OneOf<Treatment>("what"),
                        "permanent, demi, gloss, lightened, highlights, boxDye, henna, metallic, straightened, unknown"
                    ),
                    entry.Require("daysAgo", entry.Whole("daysAgo", 0, 36500), "0 to 36500")
                )
            );
            entry.Done();
        }

        return found;
    }

    public static Tone? Tone(ObjectReader r)
    {
        if (r.Text("tone") is not { } text)
        {
            return null;
        }

        if (Shade.Tone.TryParse(text, out var tone))
        {
            return tone;
        }

        r.Fail("tone", $"is \"{text}\", which is not a tone", "N, NN, AG, AB, V, G, C, R, B, or a pair of them such as GC");
        return null;
    }

    public static List<ZoneReading> Zones(ObjectReader root, Texture texture, Service service)
    {
        var all = root.Object("allZones");
        var zones = root.Object("zones");
        var general = all is null ? default : ReadZone(all);
        var found = new List<ZoneReading>();
        foreach (var zone in Enum.GetValues<Zone>())
        {
            string name = JsonNamingPolicy.CamelCase.ConvertName(zone.ToString());
            var own = zones?.Object(name) is { } z ? ReadZone(z) : default;
            bool include = own.Include ?? general.Include ?? true;
            // A gloss lies on the lengths, so its regrowth need not be read; anywhere else a missing regrowth would be a guess.
            double? regrowth = own.Regrowth ?? general.Regrowth ?? (service == Service.Gloss || !include ? 0 : null);
            if (regrowth is null && (all is not null || zones is not null) && !root.Errors.Any(e => e.Path.EndsWith("egrowthMm", StringComparison.Ordinal)))
            {
                root.Fail(all is null ? $"zones.{name}.regrowthMm" : "allZones.regrowthMm", "is needed, here or in every zone", "0 to 300");
            }

            found.Add(
                new ZoneReading(
                    Millimetres.Of(regrowth ?? 0),
                    Share.Of((own.Grey ?? general.Grey ?? 0) / 100),
                    own.Resistant ?? general.Resistant ?? false,
                    own.Texture ?? general.Texture ?? texture,
                    include
                )
            );
        }

        if (all is null && zones is null)
        {
            root.Fail("allZones", "is needed, or all nine zones", "an object with regrowthMm and greyPercent");
        }
        else if (found.All(z => !z.Include))
        {
            root.Fail("zones", "leave nothing to colour", "at least one zone with include true");
        }

        zones?.Done();
        return found;
    }

    private static (double? Regrowth, double? Grey, bool? Resistant, Texture? Texture, bool? Include) ReadZone(ObjectReader r)
    {
        var zone = (r.Number("regrowthMm", 0, 300), r.Number("greyPercent", 0, 100), r.Flag("resistant"), r.OneOf<Texture>("texture"), r.Flag("include"));
        r.Done();
        return zone;
    }

    public static Hands Hands(ObjectReader? r)
    {
        if (r is null)
        {
            return new Hands(Who.Alone, false, []);
        }

        var history = new List<UsedBefore>();
        foreach (var h in r.Objects("history", 200))
        {
            int before = r.Errors.Count;
            double reckoned = h.Require("baseGrams", h.Number("baseGrams", 0.1, 5000), "0.1 to 5000");
            double sent = h.Require("sentGrams", h.Number("sentGrams", 0.1, 5000), "0.1 to 5000");
            double residue = h.Number("residueGrams", 0, 500) ?? 0;
            double left = h.Number("leftGrams", 0, 5000) ?? 0;
            bool ranOut = h.Flag("ranOut") ?? false;
            bool weighed = h.Flag("weighed") ?? true;
            int days = h.Whole("daysAgo", 0, 3650) ?? 0;
            h.Done();
            if (r.Errors.Count == before && sent - residue - (ranOut ? 0 : left) <= 0)
            {
                h.Fail(
                    ranOut ? "residueGrams" : "leftGrams",
                    "leaves nothing that was used",
                    $"below {sent - (ranOut ? 0 : residue):0.#}, what was sent{(ranOut ? "" : " less what stayed on the bowl")}"
                );
            }

            if (r.Errors.Count == before)
            {
                history.Add(new UsedBefore(Grams.Of(reckoned), Grams.Of(sent), Grams.Of(residue), Grams.Of(left), ranOut, weighed, days));
            }
        }

        var hands = new Hands(r.OneOf<Who>("who") ?? Who.Alone, r.Flag("practised") ?? false, history);
        r.Done();
        return hands;
    }
}
