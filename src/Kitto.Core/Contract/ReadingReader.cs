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
        foreach (var (item, i) in (r.List(CaseFields.ClientConditions) ?? []).Select((x, i) => (x, i)))
        {
            if (item.ValueKind == JsonValueKind.String && item.GetString()!.Trim() is { Length: > 0 and <= 80 } text && !text.Any(ObjectText.IsControl))
            {
                conditions.Add(text);
            }
            else
            {
                r.Fail($"conditions[{i}]", "must be a text", $"such as {string.Join(", ", Safety.Conditions.Known)}, or other words up to 80 characters");
            }
        }

        var client = new ClientFacts(
            r.NeededWhole(CaseFields.ClientAgeYears),
            r.On(CaseFields.ClientFirstKit),
            r.On(CaseFields.ClientReactions),
            r.On(CaseFields.ClientBlackHenna),
            r.On(CaseFields.ClientPregnant),
            r.One(CaseFields.ClientScalp),
            conditions,
            r.On(CaseFields.ClientNewMedicine),
            r.Whole(CaseFields.ClientChemicalServiceDaysAgo),
            skin is null
                ? null
                : new SkinTest(skin.NeededWhole(CaseFields.SkinTestDaysAgo), skin.NeededOne(CaseFields.SkinTestResult), skin.Text(CaseFields.SkinTestLine)),
            strand is null
                ? null
                : new StrandTest(
                    strand.NeededWhole(CaseFields.StrandTestDaysAgo),
                    strand.NeededOne(CaseFields.StrandTestResult),
                    strand.Number(CaseFields.StrandTestMinutes)
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
        var level = Level.Of(r.NeededNumber(CaseFields.HairNaturalLevel) is >= 1 and var natural ? natural : 5);
        double lengthCm = r.Or(CaseFields.HairLengthCm);
        var lengths = new Lengths(level, Shade.Tone.Neutral, LengthHistory.Unknown, false);
        if (r.Object("lengths") is { } l)
        {
            lengths = new Lengths(
                Level.Of(l.Number(CaseFields.LengthsLevel) ?? level.Value),
                Tone(l, CaseFields.LengthsTone) ?? Shade.Tone.Neutral,
                l.One(CaseFields.LengthsHistory),
                l.On(CaseFields.LengthsHighlighted),
                l.OneOf(CaseFields.LengthsMetalTest)
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
                Millimetres.Of(b.NeededNumber(CaseFields.BandLengthMm)),
                Level.Of(b.Number(CaseFields.BandLevel) ?? lengths.Level.Value),
                Tone(b, CaseFields.BandTone) ?? Shade.Tone.Neutral
            );
            b.Done();
        }

        LightenedRoots? roots = null;
        if (r.Object("roots") is { } rr)
        {
            roots = new LightenedRoots(
                Level.Of(rr.NeededNumber(CaseFields.RootsLevel) is >= 1 and var light ? light : 10),
                Tone(rr, CaseFields.RootsTone) ?? new Tone(Family.G)
            );
            rr.Done();
        }

        var hair = new Hair(r.One(CaseFields.HairTexture), r.One(CaseFields.HairDensity), r.One(CaseFields.HairPorosity), level, lengthCm, lengths, band)
        {
            Roots = roots,
        };
        r.Done();
        return hair;
    }

    private static List<PutOn>? Put(ObjectReader lengths)
    {
        if (!lengths.Has(CaseFields.LengthsTimeline.Name))
        {
            return null;
        }

        var found = new List<PutOn>();
        foreach (var entry in lengths.Objects(CaseFields.LengthsTimeline))
        {
            found.Add(new PutOn(entry.NeededOne(CaseFields.PutOnWhat), entry.NeededWhole(CaseFields.PutOnDaysAgo)));
            entry.Done();
        }

        return found;
    }

    public static Tone? Tone(ObjectReader r, ToneField field)
    {
        if (r.Text(field.Name) is not { } text)
        {
            return null;
        }

        if (Shade.Tone.TryParse(text, out var tone))
        {
            return tone;
        }

        r.Fail(field.Name, $"is \"{text}\", which is not a tone", field.Range);
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
            string name = Json.Name(zone);
            var own = zones?.Object(name) is { } z ? ReadZone(z) : default;
            bool include = own.Include ?? general.Include ?? true;
            // A gloss lies on the lengths, so its regrowth need not be read; anywhere else a missing regrowth would be a guess.
            double? regrowth = own.Regrowth ?? general.Regrowth ?? (service == Service.Gloss || !include ? 0 : null);
            if (regrowth is null && (all is not null || zones is not null) && !root.Errors.Any(e => e.Path.EndsWith("egrowthMm", StringComparison.Ordinal)))
            {
                root.Fail(
                    all is null ? $"zones.{name}.regrowthMm" : "allZones.regrowthMm",
                    "is needed, here or in every zone",
                    CaseFields.ZoneRegrowthMm.Range
                );
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
        var zone = (
            r.Number(CaseFields.ZoneRegrowthMm),
            r.Number(CaseFields.ZoneGreyPercent),
            r.Flag(CaseFields.ZoneResistant),
            r.OneOf(CaseFields.ZoneTexture),
            r.Flag(CaseFields.ZoneInclude)
        );
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
        foreach (var h in r.Objects(CaseFields.HandsHistory))
        {
            int before = r.Errors.Count;
            double reckoned = h.NeededNumber(CaseFields.UsedBaseGrams);
            double sent = h.NeededNumber(CaseFields.UsedSentGrams);
            double residue = h.Or(CaseFields.UsedResidueGrams);
            double left = h.Or(CaseFields.UsedLeftGrams);
            bool ranOut = h.On(CaseFields.UsedRanOut);
            bool weighed = h.On(CaseFields.UsedWeighed);
            int days = (int)h.Or(CaseFields.UsedDaysAgo);
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

        var hands = new Hands(r.One(CaseFields.HandsWho), r.On(CaseFields.HandsPractised), history);
        r.Done();
        return hands;
    }
}
