using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Consultations;
using Kitto.Web.Sittings;

namespace Kitto.Web.Demo;

/// <summary>The demo's clients: one for every service, a stop, a salon case, held and overdue kits, reports. Dates run from today.</summary>
internal sealed class Heads(
    Clients clients,
    Kits kits,
    Reports reports,
    Studios studios,
    CaseBuilder cases,
    SittingCommands sittings,
    SafetyCommands safety,
    TimeProvider clock,
    Person colourist
)
{
    private readonly DateTime now = clock.GetUtcNow().UtcDateTime;

    public async Task All(int hesk, int sarn, int brannoc, int town)
    {
        var sunniva = await Add("Sunniva Aldergate", 47, hesk, "Two mirrors, steady hands. Temples never want to take.");
        var temples = Head(
            "rootTouchUp",
            5,
            14,
            45,
            ("hair.lengths.level", "5.5"),
            ("zones.leftTemple.greyPercent", "85"),
            ("zones.rightTemple.greyPercent", "85"),
            ("zones.leftTemple.resistant", "true"),
            ("zones.rightTemple.resistant", "true"),
            ("goal.level", "5.5"),
            ("goal.tone", "N")
        );
        await Reported(await Signed(sunniva, temples, 75), 68, 19.5, "greyShows", note: "Temples showed after three weeks.");
        await Reported(await Signed(sunniva, temples, 40), 33, 16, "full", seen: false, note: "Much better this time. Took me half an hour.");

        var maren = await Add("Maren Holtby", 58, sarn, "Thick hair. Has run out twice.");
        var thick = Head("rootTouchUp", 4, 18, 60, ("hair.density", "high"), ("hair.texture", "coarse"), ("hands.who", "helper"), ("hair.lengths.level", "4"));
        await Reported(await Signed(maren, thick, 90), 80, 0, "patchy", ranOut: true);
        await Reported(await Signed(maren, thick, 52), 44, 0, "full", ranOut: true);
        var open = await Signed(maren, With(thick, ("hands.practised", "true")), 9, wantIn: 13);
        await Posted(open, 7);
        await Skin(open, 4.2, "clear");
        await Strand(open, 1.5);

        await Signed(
            await Add("Ilse Brannigan", 39, brannoc, ""),
            Head("rootAndRefresh", 6, 20, 15, ("hair.lengths.level", "7"), ("goal.level", "6"), ("hair.lengths.history", "demi"), ("hands.who", "helper")),
            0,
            wantIn: 20
        );

        var petra = await Signed(
            await Add("Petra Quill", 31, town, "Wants shine for the harbour dance."),
            Head("gloss", 7, 15, 0, ("hair.texture", "fine"), ("hair.lengths.level", "8"), ("goal.level", "8"), ("goal.tone", "V"), ("hair.lengthCm", "42")),
            1,
            wantIn: 12
        );
        await Move(petra, "packed", 0.2);

        var odile = await Signed(
            await Add("Odile Farrow", 44, hesk, "Pale highlighted lengths; keep root colour off them."),
            Head(
                "rootAndGloss",
                6,
                22,
                20,
                ("hair.lengths.level", "8"),
                ("hair.lengths.history", "lightened"),
                ("hair.lengths.highlighted", "true"),
                ("goal.level", "7"),
                ("goal.tone", "B"),
                ("hands.who", "helper"),
                ("hands.practised", "true")
            ),
            8,
            wantIn: 14
        );
        await Posted(odile, 6);
        await Skin(odile, 2.3, null);

        var greta = await Signed(
            await Add("Greta Sandoval", 36, town, ""),
            Head(
                "rootShadow",
                5,
                30,
                0,
                ("hair.lengths.level", "8"),
                ("hair.lengths.history", "lightened"),
                ("hair.lengths.tone", "B"),
                ("goal.level", "6"),
                ("goal.tone", "N"),
                ("zones.frontHairline.include", "false")
            ),
            5,
            wantIn: 12
        );
        await Posted(greta, 3);

        var bettany = await Signed(
            await Add("Bettany Crewe", 28, sarn, "Dark virgin roots against light brown."),
            Head(
                "baseLift",
                5,
                25,
                0,
                ("hair.texture", "fine"),
                ("hair.lengths.level", "7"),
                ("hair.lengths.history", "permanent"),
                ("goal.level", "7"),
                ("goal.tone", "N"),
                ("hands.who", "helper")
            ),
            6,
            wantIn: 13
        );
        await Posted(bettany, 4);
        await Skin(bettany, 0.6, null);

        var nuala = await Add("Nuala Thorne", 62, brannoc, "Likes it soft; never full cover.");
        await Reported(
            await Signed(nuala, Head("greyBlend", 6, 16, 28, ("hair.lengths.history", "demi"), ("hands.who", "helper"), ("hands.practised", "true")), 47),
            38,
            11,
            "full",
            seen: true
        );

        await Signed(
            await Add("Ragnhild Moss", 33, town, "Asks for much lighter."),
            Head("lighten", 5, 20, 0, ("hair.lengths.level", "9"), ("hair.lengths.history", "lightened"), ("goal.level", "9"), ("goal.tone", "N")),
            3
        );

        var tamsin = await Signed(await Add("Tamsin Wray", 41, hesk, ""), Head("rootTouchUp", 7, 15, 35, ("goal.level", "7")), 7, wantIn: 12);
        await Posted(tamsin, 5);
        await Skin(tamsin, 2.6, "reacted");

        await Signed(
            await Add("Colette Imber", 66, sarn, "Used a comb-in darkener for years."),
            Head("rootTouchUp", 5, 18, 70, ("hair.lengths.history", "metallic")),
            10
        );
        await Signed(await Add("Yvaine Porter", 15, town, ""), Head("gloss", 6, 10, 0, ("hair.lengths.level", "6")), 12);

        var wilma = await Signed(await Add("Wilma Strand", 53, brannoc, ""), Head("rootTouchUp", 6, 17, 40, ("goal.level", "6")), 24, wantIn: -3);
        await Posted(wilma, 20);
        await Skin(wilma, 16, "clear");
        await Strand(wilma, 13);

        var edda = await Signed(
            await Add("Edda Fenwick", 50, hesk, "Coarse and thick; does one half a day."),
            Head("rootTouchUp", 3, 20, 55, ("hair.density", "high"), ("hair.texture", "coarse"), ("hair.lengths.level", "3"), ("goal.level", "3")),
            21,
            wantIn: 3
        );
        await Posted(edda, 19);
        await Skin(edda, 16.5, "clear");
        await Strand(edda, 13);

        var lotte = await Add("Lotte Marsh", 45, sarn, "The back is done far less often than the front.");
        await Keep(
            lotte,
            Head(
                "rootTouchUp",
                6,
                12,
                25,
                ("hair.texture", "fine"),
                ("hair.lengths.level", "6"),
                ("goal.level", "6"),
                ("zones.leftBack.regrowthMm", "38"),
                ("zones.rightBack.regrowthMm", "40"),
                ("zones.nape.regrowthMm", "35")
            ),
            1
        );
        var hedy = await Add("Hedy Larkspur", 38, hesk, "New; wrote last week.");
        var today = DateOnly.FromDateTime(now);
        await Tell(
            hedy,
            0.6,
            null,
            t =>
                t with
                {
                    Conditions = ["eczema"],
                    Other = "Allergic to nickel.",
                    PutOn =
                    [
                        Put(today.AddMonths(-14), Treatment.BoxDye),
                        Put(today.AddMonths(-4), Treatment.Highlights),
                        Put(today.AddYears(-9), Treatment.Henna),
                    ],
                }
        );
        await Tell(nuala, 0.2, null, t => t with { NewMedicine = true });
    }

    private static (string, string)[] Head(string service, double natural, double regrowth, double grey, params (string Path, string Value)[] more) =>
        [
            ("goal.service", service),
            ("hair.naturalLevel", natural.ToString()),
            ("hair.texture", "medium"),
            ("hair.density", "medium"),
            ("hair.porosity", "normal"),
            ("hair.lengthCm", "35"),
            ("hair.lengths.level", natural.ToString()),
            ("hair.lengths.tone", "N"),
            ("hair.lengths.history", "permanent"),
            ("hands.who", "alone"),
            ("client.scalp", "sound"),
            .. Enum.GetValues<Zone>()
                .Select(Json.Name)
                .SelectMany(z =>
                    new[]
                    {
                        ($"zones.{z}.regrowthMm", regrowth.ToString()),
                        ($"zones.{z}.greyPercent", (z is "leftBack" or "rightBack" or "nape" ? Math.Round(grey / 3) : grey).ToString()),
                        ($"zones.{z}.include", "true"),
                    }
                ),
            .. more,
        ];

    private static (string, string)[] With((string, string)[] head, params (string, string)[] more) => [.. head, .. more];

    private static FormValues Values((string Path, string Value)[] head)
    {
        var values = new FormValues();
        foreach (var (path, value) in head)
        {
            values[path] = value;
        }

        return values;
    }

    private async Task<Guid> Add(string name, int age, int destination, string note)
    {
        var id = Guid.CreateVersion7();
        await clients.Add(
            new Client(
                id,
                name,
                DateOnly.FromDateTime(now).AddYears(-age).AddDays(-(name.Length * 11)),
                destination,
                "",
                note,
                now.AddDays(-100),
                1,
                name.Length % 4 == 0 ? null : name.Split(' ')[0].ToLowerInvariant() + "@example.org"
            )
        );
        return id;
    }

    private static Remembered Put(DateOnly month, Treatment what) => new(new RoughDate(month.Year, month.Month, null), what);

    /// <summary>Answers of some days ago; from the ones before where there are any.</summary>
    private async Task Tell(Guid client, double daysAgo, Guid? by, Func<Consultation, Consultation> change)
    {
        var record = (await cases.Load(client))!;
        var told = change(record.Told ?? new Consultation(record.Client.BirthDate, false, false, false, Scalp.Sound, [], false, [], ""));
        await sittings.Answer(
            client,
            ConsultationRecorder.Kept(record, record.Answers.Count == 0 ? 0 : record.Answers[0].Id, told),
            now.AddDays(-daysAgo),
            by,
            by is null ? Speaker.Client : colourist.DisplayName
        );
    }

    /// <summary>Reads a head, and asks before it what is asked.</summary>
    private async Task<KeptReading> Read(Guid client, (string Path, string Value)[] head, double daysAgo)
    {
        var put = Json.Named<Treatment>(head.LastOrDefault(h => h.Path == "hair.lengths.history").Value) ?? Treatment.Permanent;
        await Tell(
            client,
            daysAgo + .1,
            colourist.Id,
            t => t with { PutOn = t.PutOn.Count > 0 ? t.PutOn : [Put(DateOnly.FromDateTime(now).AddMonths(-3), put)] }
        );
        var record = (await cases.Load(client))!;
        return new KeptReading(
            client,
            record.Reading?.Version ?? 0,
            Values(head).ToJson().ToJsonString(Json.Options),
            colourist.Id,
            colourist.DisplayName,
            now.AddDays(-daysAgo),
            null,
            []
        );
    }

    private async Task Keep(Guid client, (string Path, string Value)[] head, double daysAgo) => await sittings.Keep(await Read(client, head, daysAgo));

    /// <summary>Reads and signs as if on that day, by the same way as the page does.</summary>
    private async Task<Kit> Signed(Guid client, (string, string)[] head, double daysAgo, int? wantIn = null)
    {
        var values = Values(wantIn is { } days ? With(head, ("plan.wantBy", DateOnly.FromDateTime(now).AddDays(days).ToString("yyyy-MM-dd"))) : head);
        var reading = (await Read(client, head, daysAgo)) with { Document = values.ToJson().ToJsonString(Json.Options) };
        var record = (await cases.Load(client))! with { Now = reading.At };
        var (found, p, errors, document) = cases.Prescribe(values, record);
        if (found is null || p is null)
        {
            throw new InvalidOperationException($"Demo head of {record.Client.Name}: {string.Join("; ", errors.Select(e => $"{e.Path} {e.Says}"))}");
        }

        await sittings.Sign(
            reading with
            {
                Stops = [.. p.Because.Where(b => b.About == Topic.Stop)],
            },
            cases.Freeze(record, found, p, document, colourist.DisplayName),
            null
        );
        return (await kits.Newest(client))!;
    }

    private async Task Move(Kit kit, string to, double daysAgo) =>
        await safety.Move(
            (await kits.Get(kit.Id))!,
            to == "packed" ? "signed" : "packed",
            to,
            (await studios.Get())!.Today(now.AddDays(-daysAgo)),
            now.AddDays(-daysAgo)
        );

    private async Task Posted(Kit kit, double daysAgo)
    {
        await Move(kit, "packed", daysAgo + 1);
        await Move(kit, "posted", daysAgo);
    }

    /// <summary>Puts a test on for every line, and says how it came out.</summary>
    private async Task Skin(Kit kit, double daysAgo, string? result)
    {
        foreach (string line in kit.Lines.Split(','))
        {
            var (on, at) = (Guid.CreateVersion7(), now.AddDays(-daysAgo));
            await Say(kit, (record, gate) => KitLife.PutOn(record, gate, line, at, new Speaker(on, at, Speaker.Client)));
            if (result is not null)
            {
                var who = new Speaker(Guid.CreateVersion7(), at.AddDays(2.1), Speaker.Client);
                await Say(
                    kit,
                    (record, gate) => result == "clear" ? KitLife.SkinClear(record, gate, on, who) : KitLife.React(who, gate.Id, "with a skin test", line, on)
                );
            }
        }
    }

    private Task Strand(Kit kit, double daysAgo) =>
        Say(
            kit,
            (record, gate) => KitLife.Strand(record, gate, StrandResult.Right, 35, new Speaker(Guid.CreateVersion7(), now.AddDays(-daysAgo), Speaker.Client))
        );

    private async Task Say(Kit kit, Func<SafetyRecord, GateKit, Taken> rule)
    {
        if (await safety.Say(kit, rule) is { } refused)
        {
            throw new InvalidOperationException($"Demo kit of {kit.ClientName}: {Words.Studio.Says(refused.Says)}");
        }
    }

    private async Task Reported(Kit kit, double daysAgo, double left, string coverage, bool ranOut = false, bool seen = true, string note = "")
    {
        await Posted(kit, daysAgo + 5);
        await Skin(kit, daysAgo + 3, "clear");
        await Strand(kit, daysAgo + .8);
        var at = now.AddDays(-daysAgo + 1);
        await safety.Report(
            kit,
            new OutcomeReport(kit.Id, DateOnly.FromDateTime(now.AddDays(-daysAgo)), coverage, "right", "right", left, ranOut, true, "fine", 27, note, at, null),
            null
        );
        if (seen)
        {
            await reports.Seen(kit.Id, colourist.Id, at);
        }
    }
}
