using System.Globalization;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Consultations;
using Kitto.Web.Delivery;
using Kitto.Web.Demo;
using Kitto.Web.Guides;
using Kitto.Web.Identity;
using Kitto.Web.Learning;
using Kitto.Web.Pictures;
using Kitto.Web.Shelves;
using Kitto.Web.Sittings;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Identity;

CultureInfo.DefaultThreadCurrentCulture = CultureInfo.InvariantCulture;
CultureInfo.DefaultThreadCurrentUICulture = new CultureInfo("en");
var builder = WebApplication.CreateBuilder(args);
string connection =
    builder.Configuration["KITTO_DATABASE"]
    ?? throw new InvalidOperationException("KITTO_DATABASE is not set: start with ./kitto start, or give a PostgreSQL connection string.");
if (args is ["leave", ..])
{
    // Whoever keeps the installation lets one more studio in; the address goes to its first person.
    await Database.Prepare(connection);
    Console.WriteLine($"/setup?leave={await Installation.GiveLeave(connection, DateTime.UtcNow)}");
    return;
}

bool demo = builder.Configuration["KITTO_DEMO"] == "1";
if (builder.Configuration["KITTO_LOG"] == "json")
{
    builder.Logging.ClearProviders().AddJsonConsole(o => (o.UseUtcTimestamp, o.TimestampFormat) = (true, "O")).AddFilter("Kitto", LogLevel.Information);
}

builder.WebHost.ConfigureKestrel(o => o.AddServerHeader = false);
Telemetry.Add(builder);
FrontDoor.Add(builder);

string folder = Path.Combine(AppContext.BaseDirectory, "data", "catalogue");
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton(new Database(connection));
builder
    .Services.AddSingleton<Studios>()
    .AddSingleton<People>()
    .AddSingleton<Clients>()
    .AddSingleton<Kits>()
    .AddSingleton<Links>()
    .AddSingleton<Reports>()
    .AddSingleton<SafetyRecords>()
    .AddSingleton<Lines>()
    .AddSingleton<Ways>()
    .AddSingleton<Answers>()
    .AddSingleton<Runs>()
    .AddSingleton<KitNotes>()
    .AddSingleton<PushRecord>()
    .AddSingleton<Drafts>()
    .AddSingleton<Messages>()
    .AddSingleton<StockRecord>()
    .AddSingleton<BenchRecord>()
    .AddSingleton<LedgerRecord>()
    .AddSingleton<Trail>()
    .AddSingleton<PublicAddress>()
    .AddSingleton<ClientRights>()
    .AddSingleton<StudyRecord>()
    .AddSingleton<Proposals>()
    .AddSingleton<Nodes>();
builder.Services.AddSingleton<BenchCommands>().AddSingleton<StockCommands>().AddSingleton<BenchKits>().AddSingleton<FreeStock>().AddSingleton<ShoppingList>();
builder.Services.AddSingleton<SafetyCommands>().AddSingleton<KitCommands>().AddSingleton<SittingCommands>().AddSingleton<FirstAccount>();

// Whoever asks gets the shelf as it stands then.
builder.Services.AddSingleton<CurrentShelf>().AddTransient(s => s.GetRequiredService<CurrentShelf>().Now);
builder
    .Services.AddTransient<CaseBuilder>()
    .AddTransient<LearningHeads>()
    .AddSingleton<HeadCamera>()
    .AddTransient<GuideAccess>()
    .AddSingleton<GuideLinks>()
    .AddTransient<RunRecorder>()
    .AddTransient<ReactionRecorder>()
    .AddSingleton<PushDelivery>()
    .AddTransient<PushSender>()
    .AddSingleton<KitGate>()
    .AddSingleton<ConsultationRecorder>();

// What is wrong with the settings of the post is said, here and on the House page; the site goes on without it.
var post = PostSettings.Of(builder.Configuration);
foreach (string wrong in post.Wrong)
{
    Console.Error.WriteLine($"kitto: {wrong}");
}

builder.Services.AddSingleton(post);
builder.Services.Configure<HostOptions>(o =>
    (o.BackgroundServiceExceptionBehavior, o.ShutdownTimeout) = (BackgroundServiceExceptionBehavior.Ignore, TimeSpan.FromSeconds(75))
);
builder.Services.AddSingleton<ClientMessageSender>().AddSingleton<StandRecord>().AddSingleton<KitLooks>().AddSingleton<RecordCache>();
if (builder.Configuration["KITTO_MESSAGES"] != "off")
{
    builder.Services.AddHostedService<MessageRounds>().AddHostedService<PushRounds>();
}

builder
    .Services.AddIdentityCore<Person>(o =>
    {
        o.Password.RequiredLength = 10;
        o.Password.RequireNonAlphanumeric = false;
        o.Password.RequireUppercase = false;
        o.Password.RequireDigit = false;
        o.Password.RequireLowercase = false;
        o.Password.RequiredUniqueChars = 4;
    })
    .AddPasswordValidator<PasswordCheck>()
    .AddUserStore<PeopleStore>()
    .AddClaimsPrincipalFactory<PersonClaims>()
    .AddSignInManager()
    .AddDefaultTokenProviders();
builder.Services.Configure<IdentityPasskeyOptions>(Passkeys.Settings);
builder.Services.AddAuthentication(IdentityConstants.ApplicationScheme).AddIdentityCookies();
builder.Services.ConfigureApplicationCookie(o =>
{
    o.LoginPath = "/signin";
    o.ReturnUrlParameter = "to";
    o.Cookie.Name = "kitto";
    o.ExpireTimeSpan = TimeSpan.FromHours(12);
    o.EventsType = typeof(SessionCheck);
});
SharedKeys.Add(builder);
builder.Services.AddSingleton<Drain>().AddHostedService(s => s.GetRequiredService<Drain>());

builder.Services.AddSingleton<FrontEnd>().AddResponseCompression(o => o.EnableForHttps = true);
builder
    .Services.AddScoped<SessionCheck>()
    .AddScoped<TrailFilter>()
    .AddSingleton<RightsFilter>()
    .AddScoped<SignIns>()
    .AddScoped<SecondStep>()
    .AddScoped<Passkeys>()
    .AddSingleton<PasskeyRecord>()
    .AddSingleton<PictureRecord>()
    .AddSingleton<PictureSending>()
    .AddSingleton<PicturePairs>()
    .AddScoped<SentPictures>()
    .AddSingleton<PictureReader>()
    .AddSingleton<PictureSeal>()
    .AddSingleton<PeopleCommands>();
builder.Services.AddSingleton<RecoveryLetters>().AddHostedService(s => s.GetRequiredService<RecoveryLetters>());
builder.Services.AddAuthorization();
builder.Services.AddAntiforgery(o => (o.Cookie.Name, o.Cookie.SecurePolicy) = ("kitto-form", CookieSecurePolicy.SameAsRequest));
builder.Services.AddLocalization(o => o.ResourcesPath = "Resources");
builder
    .Services.AddRazorPages(o =>
    {
        o.Conventions.AuthorizeFolder("/");
        foreach (string open in Rights.Open)
        {
            o.Conventions.AllowAnonymousToPage(open);
        }

        o.Conventions.ConfigureFilter(new Microsoft.AspNetCore.Mvc.ServiceFilterAttribute(typeof(RightsFilter)));
        o.Conventions.ConfigureFilter(new Microsoft.AspNetCore.Mvc.ServiceFilterAttribute(typeof(TrailFilter)));
    })
    .AddViewLocalization();

var app = builder.Build();
bool guarded = await Database.Prepare(connection, () => Seed.Ensure(app.Services, demo, folder));
if (!guarded)
{
    Console.Error.WriteLine(
        $"kitto: this database's user may not make the role {Database.Role}; the record of safety is kept from changes by its trigger alone. As an administrator: create role {Database.Role} nologin; grant {Database.Role} to the user; then start again."
    );
}

FrontDoor.Use(app);
app.UseExceptionHandler("/problem/500");
app.UseStatusCodePagesWithReExecute("/problem/{0}");
app.Use(
    async (context, next) =>
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = context.Request.Path.StartsWithSegments("/bench") ? FrontEnd.BenchPolicy : FrontEnd.Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Permissions-Policy"] = FrontEnd.Permissions;
        FrontDoor.KeepPrivate(context);
        if (context.Request.Path.StartsWithSegments(FrontEnd.Fonts))
        {
            context.Response.OnStarting(() => Task.FromResult(headers.CacheControl = "public, max-age=31536000, immutable"));
        }

        if (context.Request.Path == FrontEnd.Worker)
        {
            headers["Service-Worker-Allowed"] = context.Request.QueryString.Value == FrontEnd.QuestionsWorker ? "/ask/" : "/g/";
        }

        await next();
    }
);
app.UseWhen(c => FrontEnd.MayCompress(c.Request), pages => pages.UseResponseCompression());
app.UseRouting();
app.UseRateLimiter();
app.UseAuthentication();
app.UseMiddleware<StudioAtHand>();
app.UseMiddleware<ClientForm>();
app.UseWhen(c => !c.Request.Path.StartsWithSegments("/healthz"), pages => pages.UseMiddleware<CleanText>());
app.UseMiddleware<ClientLanguage>();
app.UseAuthorization();
app.MapStaticAssets().ShortCircuit();
app.MapRazorPages().WithStaticAssets();
app.MapGet("/calendar/{token}.ics", Calendars.Studio).AllowAnonymous();
app.MapGet("/g/{token}/days.ics", Calendars.Client).AllowAnonymous();
app.MapGet("/g/{token}/app.webmanifest", HomeScreen.Manifest).AllowAnonymous();
app.MapGet("/alarms", Alarms.Stream).RequireAuthorization();
app.MapGet("/healthz", Health.Ready).AllowAnonymous();
app.MapGet("/healthz/live", () => "alive").AllowAnonymous();
app.Run();

/// <summary>Named for tests that host the application.</summary>
public partial class Program;
