using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Consultations;
using Kitto.Web.Guides;
using Kitto.Web.Pictures;
using Kitto.Web.Sittings;

namespace Kitto.Web.Demo;

/// <summary>What can happen to a demo client, by the same ways as the pages take.</summary>
internal sealed class Acts(
    Clients clients,
    Kits kits,
    Reports reports,
    Studios studios,
    CaseBuilder cases,
    SittingCommands sittings,
    SafetyCommands safety,
    KitCommands changes,
    GuideLinks links,
    DemoStock stock,
    PictureRecord pictures,
    PictureSeal seal,
    TimeProvider clock,
    Person colourist
)
{
    private readonly DateTime now = clock.GetUtcNow().UtcDateTime;

    /// <summary>Today.</summary>
    public DateOnly Today => DateOnly.FromDateTime(now);

    public async Task<Guid> Add(string name, int age, int destination, string note, string language = "en", string spokenOf = "name")
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
                name.Length % 4 == 0 ? null : name.Split(' ')[0].ToLowerInvariant() + "@example.org",
                language,
                spokenOf,
                name.Length % 5 == 0 ? "" : $"+44 1632 960{name.Length * 31 % 900 + 100}"
            )
        );
        return id;
    }

    /// <summary>Pictures with the card, of some days ago: drawn and measured beforehand, so that the demo need not wait for it.</summary>
    public async Task Pictured(Guid client, string name, double daysAgo)
    {
        foreach (string file in Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "data", "demo", "pictures"), name + "-*.jpg").Order())
        {
            string answer = await File.ReadAllTextAsync(Path.ChangeExtension(file, ".json"));
            string zone = Path.GetFileNameWithoutExtension(file)[(name.Length + 1)..];
            await pictures.Keep(
                new HeadPicture(Guid.CreateVersion7(), client, zone, now.AddDays(-daysAgo), 85.2, answer),
                seal.Seal(await File.ReadAllBytesAsync(file)),
                colourist.Id
            );
        }
    }

    public static Remembered Put(DateOnly month, Treatment what) => new(new RoughDate(month.Year, month.Month, null), what);

    /// <summary>Answers of some days ago; from the ones before where there are any.</summary>
    public async Task Tell(Guid client, double daysAgo, Guid? by, Func<Consultation, Consultation> change)
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

    /// <summary>A head as it stands in its file, with what is other this time.</summary>
    private static FormValues Head(string name, IReadOnlyList<(string Path, string Value)> other)
    {
        var values = FormValues.Kept(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "data", "demo", name + ".json")));
        foreach (var (path, value) in other)
        {
            values[path] = value;
        }

        return values;
    }

    /// <summary>Reads a head, and asks before it what is asked.</summary>
    private async Task<KeptReading> Read(Guid client, FormValues head, double daysAgo)
    {
        var put = Json.Named<Treatment>(head[CaseFields.LengthsHistory.Path]) ?? Treatment.Permanent;
        await Tell(client, daysAgo + .1, colourist.Id, t => t with { PutOn = t.PutOn.Count > 0 ? t.PutOn : [Put(Today.AddMonths(-3), put)] });
        var record = (await cases.Load(client))!;
        return new KeptReading(
            client,
            record.Reading?.Version ?? 0,
            head.Document().Text(),
            colourist.Id,
            colourist.DisplayName,
            now.AddDays(-daysAgo),
            null,
            []
        );
    }

    /// <summary>Reads a head and keeps it, unsigned.</summary>
    public async Task Keep(Guid client, string head, double daysAgo) => await sittings.Keep(await Read(client, Head(head, []), daysAgo));

    /// <summary>Reads and signs as if on that day, by the same way as the page does.</summary>
    public async Task<Kit> Signed(Guid client, string head, double daysAgo, int? wantIn = null, (string, string)[]? other = null)
    {
        var values = Head(head, other ?? []);
        if (wantIn is { } days)
        {
            values[CaseFields.PlanWantBy.Path] = Today.AddDays(days).ToString("yyyy-MM-dd");
        }

        var reading = await Read(client, values, daysAgo);
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
        var kit = (await kits.Newest(client))!;
        if (p.Decision == Decision.Kit)
        {
            await links.Make(kit.Id, null);
        }

        return kit;
    }

    /// <summary>What is on the shelf.</summary>
    public Task Stock() => stock.Fill(Today, colourist.DisplayName, now.AddDays(-120));

    /// <summary>Some vessels of a kit are weighed; it stays on the bench.</summary>
    public async Task Begun(Kit kit, int vessels, double daysAgo) =>
        await stock.Weigh((await kits.Get(kit.Id))!, colourist.DisplayName, now.AddDays(-daysAgo), vessels);

    public async Task Packed(Kit kit, double daysAgo) => await stock.Weigh((await kits.Get(kit.Id))!, colourist.DisplayName, now.AddDays(-daysAgo));

    public async Task Posted(Kit kit, double daysAgo)
    {
        await Packed(kit, daysAgo + 1);
        var at = now.AddDays(-daysAgo);
        await changes.Post((await kits.Get(kit.Id))!, (await studios.Get())!.Today(at), at);
    }

    /// <summary>Puts a test on for every line, and says how it came out.</summary>
    public async Task Skin(Kit kit, double daysAgo, string? result)
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

    public Task Strand(Kit kit, double daysAgo) =>
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

    public async Task Reported(Kit kit, double daysAgo, double left, string coverage, bool ranOut = false, bool seen = true, string note = "")
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
