using Kitto.Store;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Demo;

/// <summary>Fills an empty database with the demo studio. Everything and everyone in it is invented.</summary>
public static class Seed
{
    /// <summary>The demo account, shown on the sign-in page of the demo only.</summary>
    public const string UserName = "tove";

    /// <summary>Its password.</summary>
    public const string Password = "mail-boat-days";

    /// <summary>Loads the demo if it is wanted and nobody works here yet.</summary>
    public static async Task Ensure(IServiceProvider services, bool demo)
    {
        if (!demo || await services.GetRequiredService<People>().Any())
        {
            return;
        }

        try
        {
            await Fill(services);
        }
        catch
        {
            // Half a demo is worse than none: the next start begins again.
            await services.GetRequiredService<Database>().Run("truncate studio, person, destination, client cascade");
            throw;
        }
    }

    private static async Task Fill(IServiceProvider services)
    {
        using var scope = services.CreateScope();
        var person = new Person { UserName = UserName, DisplayName = "Tove Marlin" };
        var made = await scope.ServiceProvider.GetRequiredService<UserManager<Person>>().CreateAsync(person, Password);
        if (!made.Succeeded)
        {
            throw new InvalidOperationException(string.Join(" ", made.Errors.Select(e => e.Description)));
        }

        var studios = services.GetRequiredService<Studios>();
        await studios.Create("Slipway Colour Studio", "Europe/London", demo: true);
        int hesk = await studios.AddDestination("Outer Hesk", [DayOfWeek.Tuesday, DayOfWeek.Friday], 2);
        int sarn = await studios.AddDestination("Little Sarn", [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday], 2);
        int brannoc = await studios.AddDestination("Brannoc", [DayOfWeek.Thursday], 3);
        int town = await studios.AddDestination("Port Sorrel, town", [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday], 1);
        await ActivatorUtilities.CreateInstance<Heads>(services, person.Id).All(hesk, sarn, brannoc, town);
    }
}
