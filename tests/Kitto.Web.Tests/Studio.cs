using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Dapper;
using Kitto.Core.Contract;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Guides;
using Kitto.Web.Shelves;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Kitto.Web.Tests;

/// <summary>A clock the tests turn.</summary>
public sealed class TurnedClock : TimeProvider
{
    public TimeSpan Ahead
    {
        get;
        set
        {
            field = value;
            Furthest = value > Furthest ? value : Furthest;
        }
    }

    /// <summary>The furthest it ever was; what was kept then is of no use to an earlier day.</summary>
    public TimeSpan Furthest { get; private set; }

    public override DateTimeOffset GetUtcNow() => DateTimeOffset.UtcNow + Ahead;
}

/// <summary>The whole application with the demo, on a database of its own that is dropped afterwards.</summary>
public class Studio : WebApplicationFactory<Program>, IAsyncLifetime
{
    private readonly string name = "kitto_test_" + Guid.NewGuid().ToString("N")[..12];

    public TurnedClock Clock { get; } = new();

    /// <summary>What a test asks for by itself, it asks for the first studio; what it asks for through pages goes the way of every request.</summary>
    public override IServiceProvider Services
    {
        get
        {
            CurrentStudio.Enter(CurrentStudio.First);
            return base.Services;
        }
    }

    public string Connection => $"{Cluster};Database={name};Pooling=true";

    public Clients Clients => Services.GetRequiredService<Clients>();

    public Kits Kits => Services.GetRequiredService<Kits>();

    public Reports Reports => Services.GetRequiredService<Reports>();

    public Runs Runs => Services.GetRequiredService<Runs>();

    public Answers Answers => Services.GetRequiredService<Answers>();

    public SafetyRecords Safety => Services.GetRequiredService<SafetyRecords>();

    public KitCommands Change => Services.GetRequiredService<KitCommands>();

    public SafetyCommands Say => Services.GetRequiredService<SafetyCommands>();

    public SittingCommands Sittings => Services.GetRequiredService<SittingCommands>();

    public Links Links => Services.GetRequiredService<Links>();

    public Database Db => Services.GetRequiredService<Database>();

    protected virtual bool Demo => true;

    /// <summary>How many times the usual measure of requests is let through: tests ask for more than people do.</summary>
    protected virtual string Limits => "1000";

    /// <summary>Where letters go.</summary>
    public string Outbox { get; } = Directory.CreateTempSubdirectory("kitto-outbox-").FullName;

    private static string Cluster =>
        Environment.GetEnvironmentVariable("KITTO_TEST_SERVER")
        ?? throw new InvalidOperationException("KITTO_TEST_SERVER is not set: run the tests with ./kitto test.");

    private static readonly Lazy<Task<string>> Filled = new(async () =>
    {
        var first = new Studio();
        _ = first.Services;
        await first.End();
        // A database is copied only while nobody is in it.
        await Administer(
            $"alter database {first.name} allow_connections false; select pg_terminate_backend(pid) from pg_stat_activity where datname = '{first.name}'"
        );
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Administer($"drop database if exists {first.name} with (force)").GetAwaiter().GetResult();
        return first.name;
    });

    /// <summary>The demo is told once; each studio begins from a copy of it.</summary>
    public async ValueTask InitializeAsync()
    {
        if (Demo)
        {
            string told = await Filled.Value;
            await Copying.WaitAsync();
            try
            {
                await Administer($"create database {name} template {told}");
            }
            finally
            {
                Copying.Release();
            }
        }

        var ready = Services;
        if (Demo)
        {
            // Whatever test comes first may ask for the shelf without a page having read it.
            await ready.GetRequiredService<CurrentShelf>().Refresh();
        }
    }

    private static readonly SemaphoreSlim Copying = new(1);

    /// <summary>Ends the application and leaves its database.</summary>
    private ValueTask End() => base.DisposeAsync();

    private static async Task Administer(string statement)
    {
        await using var server = NpgsqlDataSource.Create($"{Cluster};Database=postgres");
        await using var command = server.CreateCommand(statement);
        await command.ExecuteNonQueryAsync();
    }

    /// <summary>
    /// Kits that stand otherwise than was kept of them, and that nobody would look at: something was written and did not say so.
    /// Asked when a class of tests is done, so that whatever its tests wrote is held against it.
    /// </summary>
    private async Task<IReadOnlyList<string>> FoundOtherwise()
    {
        Clock.Ahead = Clock.Furthest;
        var now = Clock.GetUtcNow().UtcDateTime;
        var today = (await Services.GetRequiredService<Studios>().Get())?.Today(now) ?? default;
        var kept = await Db.List<(Guid Id, string? Place)>("select kit_id, place from kit_stand where look_at > @now", new { now });
        var there = await Kits.Get(kept.Select(k => k.Id));
        var stand = await Services.GetRequiredService<KitGate>().Of([.. there]);
        var outcomes = await Reports.OutcomesOf(there.Select(k => k.Id));
        string? Place(Kit k) =>
            KitPlaces.Of(k.Step, stand(k).Verdict, k.ColourOn, outcomes.GetValueOrDefault(k.Id) is { SeenAt: null }, today) is { } place
                ? Json.Name(place)
                : null;
        return
        [
            .. there
                .Select(k => (Kit: k, Is: Place(k), Kept: kept.Single(s => s.Id == k.Id).Place))
                .Where(k => k.Is != k.Kept)
                .Select(k => $"kit {k.Kit.Number} of {k.Kit.ClientName}, {k.Kit.State}: {k.Is}, kept {k.Kept}"),
        ];
    }

    public override async ValueTask DisposeAsync()
    {
        var otherwise = await FoundOtherwise();
        await base.DisposeAsync();
        NpgsqlConnection.ClearAllPools();
        await Administer($"drop database if exists {name} with (force)");
        Directory.Delete(Outbox, recursive: true);
        Assert.Empty(otherwise);
        GC.SuppressFinalize(this);
    }

    /// <summary>A kit of the demo, by its client's name: the newest.</summary>
    public async Task<Kit> KitOf(string client) => (await Kits.Get((await Kits.History(await IdOf(client))).First(p => p.KitId is not null).KitId!.Value))!;

    public async Task<Guid> IdOf(string client) => (await Clients.Find(client))[0].Id;

    /// <summary>Lets time pass for what was said of a kit: it is moved back, as the owner of the database alone can.</summary>
    /// <param name="kit">The kit.</param>
    /// <param name="hours">By how much.</param>
    /// <param name="but">What else is changed of its rows.</param>
    public async Task Later(Kit kit, double hours, string but = "")
    {
        await using var owner = new NpgsqlConnection(Connection + ";Pooling=false");
        await owner.OpenAsync();
        await owner.ExecuteAsync(
            $"""
            set session_replication_role = replica;
            update safety_event set happened_at = happened_at - @by, said_at = said_at - @by {but} where kit_id = @Id;
            update kit_stand set look_at = '-infinity', turn = turn + 1 where kit_id = @Id
            """,
            new { by = TimeSpan.FromHours(hours), kit.Id }
        );
    }

    public BenchCommands Bench => Services.GetRequiredService<BenchCommands>();

    public BenchKits AtBench => Services.GetRequiredService<BenchKits>();

    public StockRecord Stock => Services.GetRequiredService<StockRecord>();

    /// <summary>Packs a kit that was weighed by the paper.</summary>
    public async Task PackedByPaper(Kit kit)
    {
        var at = (await AtBench.Open(kit))!;
        await Bench.PackWithout(kit, at.Plan, "weighed by the paper", at.Packed, DateOnly.FromDateTime(DateTime.UtcNow), "Tove Marlin", DateTime.UtcNow);
    }

    /// <summary>An address of her guide.</summary>
    public async Task<string> LinkTo(Kit kit) => "/g/" + await Links.ToGuide(kit.Id, Clock.GetUtcNow().UtcDateTime);

    /// <summary>Closes every link to her guide.</summary>
    public async Task CloseLinks(Kit kit)
    {
        foreach (var link in await Links.OfKit(kit.Id))
        {
            await Links.Close(kit.Id, link.Id, DateTime.UtcNow);
        }
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("KITTO_DATABASE", Connection);
        builder.UseSetting("Logging:LogLevel:Default", "Error");
        builder.UseSetting("KITTO_MESSAGES", "off");
        builder.UseSetting("KITTO_LIMITS", Limits);
        builder.UseSetting("KITTO_OUTBOX", Outbox);
        builder.UseSetting("KITTO_DEMO", Demo ? "1" : "0");
        builder.ConfigureTestServices(services => services.AddSingleton<TimeProvider>(Clock));
    }
}

/// <summary>The application with nobody in it.</summary>
public sealed class EmptyStudio : Studio
{
    protected override bool Demo => false;
}

/// <summary>Someone at a browser without scripts: pages come as documents, forms go back with what stands in them.</summary>
public sealed class Visitor(Studio studio, HttpClient? client = null)
{
    /// <summary>A head as a colourist types it: five neutral, fifteen millimetres, two fifths white.</summary>
    public static (string, string?)[] OrdinaryHead { get; } =
    [
        ("hair.naturalLevel", "5"),
        ("hair.texture", "medium"),
        ("hair.density", "medium"),
        ("hair.porosity", "normal"),
        ("hair.lengthCm", "35"),
        ("hair.lengths.level", "5"),
        ("hair.lengths.tone", "N"),
        ("hair.lengths.history", "permanent"),
        .. Enum.GetValues<Core.Head.Zone>()
            .Select(Core.Contract.Json.Name)
            .SelectMany(z => new (string, string?)[] { ($"zones.{z}.regrowthMm", "15"), ($"zones.{z}.greyPercent", "40") }),
    ];

    private readonly HttpClient http = client ?? studio.CreateClient();
    private readonly HtmlParser parser = new();

    public HttpStatusCode Status { get; private set; }

    public string Address { get; private set; } = "";

    public IHtmlDocument Page { get; private set; } = null!;

    public string Text => Page.Body!.TextContent;

    private string Gist => string.Join(' ', Text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Take(40));

    public static async Task<Visitor> SignedIn(Studio studio, HttpClient? client = null)
    {
        var visitor = new Visitor(studio, client);
        await visitor.SignIn(Demo.Seed.UserName, Demo.Seed.Password);
        Assert.Equal("/", visitor.Address);
        return visitor;
    }

    /// <summary>Tries to sign in.</summary>
    public async Task<Visitor> SignIn(string name, string password)
    {
        await Open("/signin");
        return await Send("form[method=post]", ("UserName", name), ("Password", password));
    }

    /// <summary>Answers the questions of a page, nothing out of the way; what is given stands instead.</summary>
    public Task<Visitor> Answer(string form = ".questions", params (string Name, string? Value)[] but)
    {
        (string Name, string? Value)[] plain =
        [
            ("reactions", "no"),
            ("blackHenna", "no"),
            ("scalp", "sound"),
            .. "hairline skin pregnant since damage reading".Split(' ').Select(q => ("none." + q, (string?)"true")),
            ("put.0.what", "permanent"),
            ("put.0.month", "3"),
            ("put.0.year", "2025"),
        ];
        return Send(form, [.. plain.Where(p => but.All(b => b.Name != p.Name)), .. but]);
    }

    public async Task<Visitor> Open(string path)
    {
        await Take(await http.GetAsync(path));
        return this;
    }

    /// <summary>Sends a form as it stands, with some fields typed over; null leaves one out.</summary>
    public async Task<Visitor> Send(string selector, params (string Name, string? Value)[] typed) => await Send(selector, null, typed);

    public async Task<Visitor> Send(string selector, string? action, params (string Name, string? Value)[] typed)
    {
        var (to, fields) = Filled(selector, action, typed);
        await Take(await http.PostAsync(to, new FormUrlEncodedContent(fields)));
        return this;
    }

    /// <summary>Sends a form with a file in one of its fields.</summary>
    public async Task<Visitor> SendFile(string selector, (string Field, byte[] Bytes) file, params (string Name, string? Value)[] typed)
    {
        var (to, fields) = Filled(selector, null, typed);
        using var body = new MultipartFormDataContent();
        foreach (var (name, value) in fields.Where(f => f.Key != file.Field))
        {
            body.Add(new StringContent(value), name);
        }

        body.Add(new ByteArrayContent(file.Bytes), file.Field, "picture");
        await Take(await http.PostAsync(to, body));
        return this;
    }

    private (Uri To, List<KeyValuePair<string, string>> Fields) Filled(string selector, string? action, (string Name, string? Value)[] typed)
    {
        var form = (IHtmlFormElement)(Page.QuerySelector(selector) ?? throw new InvalidOperationException($"No {selector} on {Address}: {Gist}"));
        var fields = new List<KeyValuePair<string, string>>();
        foreach (
            var field in form.QuerySelectorAll("input, select, textarea")
                .Where(f => f.GetAttribute("name") is not null && typed.All(t => t.Name != f.GetAttribute("name")))
        )
        {
            string? value = field switch
            {
                IHtmlInputElement { Type: "checkbox" or "radio" } tick => tick.IsChecked ? tick.Value : null,
                IHtmlInputElement input => input.Value,
                IHtmlSelectElement select => select.Value,
                IHtmlTextAreaElement area => area.Value,
                _ => null,
            };
            if (value is not null)
            {
                fields.Add(new(field.GetAttribute("name")!, value));
            }
        }

        fields.AddRange(typed.Where(t => t.Value is not null).Select(t => new KeyValuePair<string, string>(t.Name, t.Value!)));
        string to = action ?? form.GetAttribute("action") ?? "";
        return (new Uri(new Uri(http.BaseAddress!, Address), to), fields);
    }

    public IElement Find(string selector) => Page.QuerySelector(selector) ?? throw new InvalidOperationException($"No {selector} on {Address}: {Gist}");

    public string? Typed(string field) =>
        Find($"[name='{field}']") switch
        {
            IHtmlInputElement input => input.Value,
            IHtmlSelectElement select => select.Value,
            var other => other.TextContent,
        };

    /// <summary>What stands in a field that has no name.</summary>
    public string Shown(string selector) => ((IHtmlInputElement)Find(selector)).Value;

    public IReadOnlyList<IElement> FindAll(string selector) => [.. Page.QuerySelectorAll(selector)];

    /// <summary>Sends a file with the form of the page that takes files.</summary>
    public async Task<Visitor> Upload(string name, string content)
    {
        var form = (IHtmlFormElement)Find("form[enctype='multipart/form-data']");
        using var body = new MultipartFormDataContent
        {
            { new StringContent(Find("form[enctype] [name=__RequestVerificationToken]").GetAttribute("value")!), "__RequestVerificationToken" },
            { new StringContent(content), "file", name },
        };
        await Take(await http.PostAsync(new Uri(new Uri(http.BaseAddress!, Address), form.GetAttribute("action")!), body));
        return this;
    }

    public Task<string> Download(string path) => http.GetStringAsync(path);

    private async Task Take(HttpResponseMessage answer)
    {
        Status = answer.StatusCode;
        Address = answer.RequestMessage!.RequestUri!.PathAndQuery;
        Page = parser.ParseDocument(await answer.Content.ReadAsStringAsync());
    }
}
