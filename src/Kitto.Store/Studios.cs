using System.Text.Json;
using Dapper;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Ledger;
using Kitto.Core.Shade;

namespace Kitto.Store;

/// <summary>The salon's own values.</summary>
public sealed record Studio(
    string Name,
    string TimeZone,
    double ServiceLevel,
    double ScaleStep,
    string Schools,
    bool IsDemo,
    int Version,
    double? CostShort,
    double? CostLeft,
    string Lines,
    string Phone = "",
    string AlarmEmail = "",
    string Scale = "{}",
    string Prices = "{}",
    string Address = "",
    int TrailDays = 1095,
    int KeepYears = 0,
    bool PicturesCorrected = true,
    int? CountersignUntil = null,
    string Country = "GB",
    string Emergency = ""
)
{
    /// <summary>Most heads in a row that a house may ask for before somebody signs alone.</summary>
    public const int MostCountersigned = 200;

    /// <summary>Longest telephone number, characters.</summary>
    public const int LongestPhone = 30;

    /// <summary>Whether this is how a telephone number is written: digits, spaces, brackets, hyphens, a plus in front; at least five digits. Empty is one, too: none is known.</summary>
    public static bool IsPhone(string text) =>
        text.Length == 0
        || (
            text.Length <= LongestPhone
            && text.Count(char.IsAsciiDigit) >= 5
            && text.All(c => char.IsAsciiDigit(c) || c is ' ' or '(' or ')' or '-' or '/' or '+')
        );

    /// <summary>The number that calls an ambulance where a client is.</summary>
    /// <param name="country">The client's country; empty: the studio's.</param>
    public string Ambulance(string country) => Core.Safety.EmergencyNumbers.For(country, Country, Emergency);

    /// <summary>The number as a telephone dials it; empty where none is known.</summary>
    public string Dials => string.Concat(Phone.Where((c, i) => char.IsAsciiDigit(c) || (c == '+' && i == 0)));

    /// <summary>The values the engine reckons with.</summary>
    public House House() =>
        new(
            ServiceLevel,
            Grams.Of(ScaleStep),
            JsonSerializer.Deserialize<Dictionary<string, string>>(Schools) ?? [],
            CostShort is { } s && CostLeft is { } l ? new Costs(s, l) : null
        )
        {
            Lines = OwnLines(),
        };

    /// <summary>The line of each kind that the house takes.</summary>
    public IReadOnlyDictionary<LineKind, string> OwnLines() =>
        (JsonSerializer.Deserialize<Dictionary<string, string>>(Lines) ?? []).ToDictionary(l => Json.Named<LineKind>(l.Key)!.Value, l => l.Value);

    /// <summary>The same with other lines.</summary>
    public Studio With(IReadOnlyDictionary<LineKind, string> lines) =>
        this with
        {
            Lines = JsonSerializer.Serialize(lines.ToDictionary(l => Json.Name(l.Key), l => l.Value)),
        };

    /// <summary>What the house reckons a kit at.</summary>
    public Prices Reckons() => Reckons(Prices);

    /// <summary>The same of what is kept.</summary>
    internal static Prices Reckons(string kept) => JsonSerializer.Deserialize<Prices>(kept, JsonSerializerOptions.Web) ?? new Prices();

    /// <summary>The day it is in the studio.</summary>
    public DateOnly Today(DateTimeOffset now) => Today(now.UtcDateTime);

    /// <summary>The day it is in the studio.</summary>
    public DateOnly Today(DateTime utc) => DateOnly.FromDateTime(Local(utc));

    /// <summary>A moment as the studio's clock shows it.</summary>
    public DateTime Local(DateTime utc) => TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(utc, DateTimeKind.Utc), Zone());

    /// <summary>The moment of a time read off the studio's clock; a time the clocks skip counts an hour on.</summary>
    public DateTime Utc(DateTime local)
    {
        var plain = DateTime.SpecifyKind(local, DateTimeKind.Unspecified);
        return TimeZoneInfo.ConvertTimeToUtc(Zone().IsInvalidTime(plain) ? plain.AddHours(1) : plain, Zone());
    }

    private TimeZoneInfo Zone() => TimeZoneInfo.FindSystemTimeZoneById(TimeZone);
}

/// <summary>Where kits are posted to, and when post leaves.</summary>
public sealed record Destination(int Id, string Name, string PostDays, int TransitDays, decimal? Postage = null)
{
    /// <summary>The days post leaves.</summary>
    public IReadOnlyList<DayOfWeek> Days() => [.. PostDays.Split(',').Select(Enum.Parse<DayOfWeek>)];
}

/// <summary>Who chose a way of a school for the house, and when.</summary>
public sealed record SchoolChoice(string Rule, string Way, string ChosenBy, DateTime ChosenAt);

/// <summary>Studio and destinations.</summary>
public sealed class Studios(Database db)
{
    /// <summary>The last backup of the installation that was good; null: there is none.</summary>
    public Task<DateTime?> LastBackup() => db.One<DateTime?>("select max(at) from backup where good");

    /// <summary>The numbers of all studios of the installation, for work that nobody asks for.</summary>
    public Task<IReadOnlyList<int>> All() => db.List<int>("select studio_ids()");

    public Task<Studio?> Get() =>
        db.One<Studio>(
            """
            select name, time_zone, service_level, scale_step, schools::text as schools, is_demo, version, cost_short, cost_left, lines::text as lines, phone, alarm_email, scale::text as scale, prices::text as prices, address, trail_days, keep_years, pictures_corrected, countersign_until, country, emergency
            from studio
            """
        );

    /// <summary>Whether what was learned from signed readings corrects what pictures propose.</summary>
    public Task<int> CorrectPictures(bool corrected) => db.Run("update studio set pictures_corrected = @corrected", new { corrected });

    /// <summary>Whether who learns may sign with a countersignature, and until how many heads in a row were judged safe.</summary>
    /// <param name="heads">1 to <see cref="Studio.MostCountersigned"/>; null: who learns signs nothing.</param>
    public Task<int> Countersign(int? heads) => db.Run("update studio set countersign_until = @heads::int, version = version + 1", new { heads });

    public Task Save(Studio studio) => Save(studio, [], Guid.Empty, default);

    /// <summary>Saves the studio, and who chose which ways with it.</summary>
    /// <exception cref="ConflictException">Someone else has changed it since it was read.</exception>
    public Task Save(Studio studio, IReadOnlyList<(string Rule, string Way)> chosen, Guid by, DateTime at) =>
        db.Together(async connection =>
        {
            if (
                await connection.ExecuteAsync(
                    """
                    update studio set name = @Name, service_level = @ServiceLevel, scale_step = @ScaleStep, schools = @Schools::jsonb,
                           cost_short = @CostShort, cost_left = @CostLeft, lines = @Lines::jsonb, phone = @Phone, alarm_email = @AlarmEmail, scale = @Scale::jsonb, prices = @Prices::jsonb, address = @Address, trail_days = @TrailDays, keep_years = @KeepYears, country = @Country, emergency = @Emergency, version = version + 1
                    where version = @Version
                    """,
                    studio
                ) == 0
            )
            {
                throw new ConflictException("Someone else has changed the house meanwhile.");
            }

            await connection.ExecuteAsync(
                "insert into school_choice (rule, way, chosen_by, chosen_at) values (@Rule, @Way, @by, @at)",
                chosen.Select(c => new
                {
                    c.Rule,
                    c.Way,
                    by,
                    at,
                })
            );
        });

    /// <summary>The last choice of each rule.</summary>
    public Task<IReadOnlyList<SchoolChoice>> Choices() =>
        db.List<SchoolChoice>(
            """
            select distinct on (s.rule) s.rule, s.way, p.display_name as chosen_by, s.chosen_at
            from school_choice s join person p on p.id = s.chosen_by order by s.rule, s.id desc
            """
        );

    public Task<IReadOnlyList<Destination>> Destinations() =>
        db.List<Destination>(
            """
            select id, name, post_days, transit_days, postage from destination order by name
            """
        );

    /// <summary>Changes a place.</summary>
    /// <exception cref="ConflictException">The name is taken.</exception>
    public Task SaveDestination(int id, string name, IReadOnlyList<DayOfWeek> postDays, int transitDays) =>
        Named(
            name,
            () =>
                db.Run(
                    "update destination set name = @name, post_days = @days, transit_days = @transitDays where id = @id",
                    new
                    {
                        id,
                        name,
                        days = string.Join(',', postDays),
                        transitDays,
                    }
                )
        );

    /// <summary>What the post to a place costs; null: not known.</summary>
    public Task<int> SavePostage(int id, decimal? postage) => db.Run("update destination set postage = @postage where id = @id", new { id, postage });

    /// <summary>Adds a place.</summary>
    /// <exception cref="ConflictException">The name is taken.</exception>
    public Task<int> AddDestination(string name, IReadOnlyList<DayOfWeek> postDays, int transitDays) =>
        Named(
            name,
            () =>
                db.One<int>(
                    """
                    insert into destination (name, post_days, transit_days) values (@name, @days, @transitDays) returning id
                    """,
                    new
                    {
                        name,
                        days = string.Join(',', postDays),
                        transitDays,
                    }
                )
        );

    private static async Task<int> Named(string name, Func<Task<int>> save)
    {
        try
        {
            return await save();
        }
        catch (Npgsql.PostgresException twice) when (twice.SqlState == Npgsql.PostgresErrorCodes.UniqueViolation)
        {
            throw new ConflictException($"There is a place called {name} already.");
        }
    }
}
