using Kitto.Core.Clock;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Shelves;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Demo;

/// <summary>Fills an empty database with the demo studio. Everything and everyone in it is invented.</summary>
public static class Seed
{
    /// <summary>The demo account, shown on the sign-in page of the demo only.</summary>
    public const string UserName = "tove";

    /// <summary>Its password.</summary>
    public const string Password = "mail-boat-days";

    /// <summary>Loads the demo if it is wanted and nobody works here yet. Cut short, it is thrown away at the next start and begun again: half a demo is worse than none.</summary>
    /// <param name="services">The application's.</param>
    /// <param name="demo">Whether it is wanted.</param>
    /// <param name="invented">Folder of the invented lines.</param>
    public static async Task Ensure(IServiceProvider services, bool demo, string invented)
    {
        if (!demo || await services.GetRequiredService<People>().Any())
        {
            return;
        }

        var db = services.GetRequiredService<Database>();
        await db.Run("insert into filling (started_at) values (now())");
        await Fill(services, invented);
        await db.Run("delete from filling");
    }

    private static async Task Fill(IServiceProvider services, string invented)
    {
        using var scope = services.CreateScope();
        var users = scope.ServiceProvider.GetRequiredService<UserManager<Person>>();
        var person = new Person
        {
            UserName = UserName,
            NormalName = users.NormalizeName(UserName)!,
            DisplayName = "Tove Marlin",
            CreatedAt = scope.ServiceProvider.GetRequiredService<TimeProvider>().GetUtcNow().UtcDateTime,
        };
        person.PasswordHash = users.PasswordHasher.HashPassword(person, Password);
        int studio = await services
            .GetRequiredService<FirstAccount>()
            .Make(
                person,
                "Slipway Colour Studio",
                "Europe/London",
                "+44 1632 960417",
                demo: true,
                [
                    ("Outer Hesk", [DayOfWeek.Tuesday, DayOfWeek.Friday], 2),
                    ("Little Sarn", [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday], 2),
                    ("Brannoc", [DayOfWeek.Thursday], 3),
                    ("Port Sorrel, town", PlanWish.UsualPostDays, 1),
                ]
            );
        using var stay = CurrentStudio.Enter(studio);
        await services.GetRequiredService<CurrentShelf>().Open(invented);
        var places = (await services.GetRequiredService<Studios>().Destinations()).ToDictionary(d => d.Name, d => d.Id);
        await new Story(ActivatorUtilities.CreateInstance<Acts>(services, person, ActivatorUtilities.CreateInstance<DemoStock>(services))).Tell(
            places["Outer Hesk"],
            places["Little Sarn"],
            places["Brannoc"],
            places["Port Sorrel, town"]
        );
    }
}
