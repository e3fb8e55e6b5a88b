namespace Kitto.Web.Tests;

/// <summary>A kit for one test alone.</summary>
internal static class OwnKit
{
    /// <summary>So many hours ago, as the studio's clock shows it in a field.</summary>
    public static string Local(this Studio studio, double hoursAgo) =>
        TimeZoneInfo
            .ConvertTime(studio.Clock.GetUtcNow().AddHours(-hoursAgo), TimeZoneInfo.FindSystemTimeZoneById("Europe/London"))
            .ToString("yyyy-MM-ddTHH:mm");

    /// <summary>A kit of our own, signed, so that tests do not meet each other; its sheet is open.</summary>
    public static async Task<Store.Kit> Signed(this Studio studio, Visitor colourist, string name)
    {
        await colourist.Open("/clients/new");
        await colourist.Send("main form", ("Name", name), ("BirthDate", "1980-01-01"));
        string sitting = colourist.Address;
        await colourist.Open(sitting.Replace("/prescription", "/answers", StringComparison.Ordinal));
        await colourist.Answer();
        await colourist.Open(sitting);
        await colourist.Send("#sitting", "?handler=Sign", [.. Visitor.OrdinaryHead]);
        Assert.StartsWith("/kits/", colourist.Address, StringComparison.Ordinal);
        return (await studio.Kits.Get(Guid.Parse(colourist.Address[6..])))!;
    }

    /// <summary>The same, packed and posted, with its client at the guide.</summary>
    public static async Task<(Store.Kit Kit, Visitor Client, Visitor Colourist)> FreshKit(this Studio studio, string name)
    {
        var colourist = await Visitor.SignedIn(studio);
        await studio.Signed(colourist, name);
        await colourist.Send("form[action*=PackWithout]", ("why", "weighed by the paper"));
        await colourist.Send("form[action*=Move]");
        var kit = (await studio.Kits.Get(Guid.Parse(colourist.Address[6..])))!;
        Assert.Equal("posted", kit.State);
        var client = await new Visitor(studio).Open(await studio.LinkTo(kit));
        return (kit, client, colourist);
    }

    /// <summary>Both tests of it done and clear.</summary>
    public static async Task Clear(this Studio studio, Visitor client, Store.Kit kit)
    {
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await studio.Later(kit, 49);
        await client.Open(client.Address);
        await client.Send("[data-test^=skin] form", ("result", "clear"));
        await studio.Later(kit, 1);
        await client.Open(client.Address);
        await client.Send("[data-test=strand] form", ("result", "right"), ("minutes", "35"));
    }
}
