using System.Net;
using Kitto.Core.Clock;
using Kitto.Web.Guides;
using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

/// <summary>The link to a guide: made with the kit, shown again, closed alone; the studio's telephone; what a stop tells the studio.</summary>
public sealed class LinkTests(Studio studio) : IClassFixture<Studio>
{
    [Fact]
    public async Task A_link_is_made_with_the_kit_shown_again_and_another_one_closes_nothing()
    {
        var kit = await studio.KitOf("Ilse");
        var colourist = await Visitor.SignedIn(studio);
        string Shown() => colourist.Find("[aria-label='Link to the guide']").GetAttribute("value")!;
        await colourist.Open($"/kits/{kit.Id}");
        string first = Shown();
        var client = new Visitor(studio);
        Assert.Equal(HttpStatusCode.OK, (await client.Open(new Uri(first).AbsolutePath)).Status);
        // Looked at again it is the same; the page after making another can be loaded again and makes none.
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Equal(first, Shown());
        await colourist.Send("form[action*='handler=Link']");
        int made = (await studio.Links.OfKit(kit.Id)).Count;
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Equal(2, made);
        Assert.Equal(made, (await studio.Links.OfKit(kit.Id)).Count);
        Assert.Equal(HttpStatusCode.OK, (await client.Open(new Uri(first).AbsolutePath)).Status);
        // What is kept of it does not open anything.
        string token = new Uri(first).Segments[^1];
        Assert.False(await studio.Db.One<bool>("select exists (select 1 from link where sealed like '%' || @token || '%')", new { token }));
        // Closing one closes that one.
        var old = (await studio.Links.OfKit(kit.Id))[^1];
        await colourist.Send("form[action*='handler=Close']", ("link", old.Id.ToString()));
        Assert.Equal(HttpStatusCode.Gone, (await client.Open(new Uri(first).AbsolutePath)).Status);
        Assert.Null((await studio.Links.OfKit(kit.Id))[0].RevokedAt);
    }

    [Fact]
    public async Task A_kit_without_a_link_for_its_paper_is_not_posted()
    {
        var kit = await studio.KitOf("Petra");
        await studio.CloseLinks(kit);
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*='handler=Move']");
        Assert.Contains("no link to its guide", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("packed", (await studio.KitOf("Petra")).State);
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*='handler=Link']");
        await colourist.Send("form[action*='handler=Move']");
        Assert.Equal("posted", (await studio.KitOf("Petra")).State);
    }

    [Fact]
    public async Task Messages_bear_the_link_where_its_site_is_known_and_else_name_the_paper()
    {
        var kit = await studio.KitOf("Bettany");
        var links = studio.Services.GetRequiredService<GuideLinks>();
        Assert.Null(await links.Newest(kit.Id));
        Assert.Contains(
            "on the leaflet in the box",
            Words.Client.Message(ClientMessage.Posted, "Bettany", "Slipway", KitDays.None, null, "999", "").Body,
            StringComparison.Ordinal
        );
        string token = await links.Make(kit.Id, "https://kits.example.org");
        string address = (await links.Newest(kit.Id))!;
        Assert.Equal($"https://kits.example.org/g/{token}", address);
        Assert.Contains(
            address,
            Words.Client.Message(ClientMessage.Posted, "Bettany", "Slipway", KitDays.None, address, "999", "").Body,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("12", false)]
    [InlineData("call me", false)]
    [InlineData("+44 (0)1632 960-417", true)]
    public async Task The_studios_telephone_is_asked_for_checked_and_called_from_every_guide(string phone, bool taken)
    {
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open("/house");
        await colourist.Send("form:has(#Phone)", ("Phone", phone));
        Assert.Equal(phone, colourist.Typed("Phone"));
        Assert.Equal(!taken, colourist.Text.Contains("At least five digits", StringComparison.Ordinal));
        var client = new Visitor(studio);
        await client.Open(await studio.LinkTo(await studio.KitOf("Odile")));
        Assert.Equal(taken ? "tel:+4401632960417" : "tel:+441632960417", client.Find("a.call").GetAttribute("href"));
    }
}
