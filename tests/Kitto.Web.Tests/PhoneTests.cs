using System.Net;
using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Web.Guides;
using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

/// <summary>What a client's phone says, whatever has become of the kit, the link and the other phone.</summary>
public sealed class PhoneTests(Studio studio) : IClassFixture<Studio>
{
    private long Now => studio.Clock.GetUtcNow().ToUnixTimeMilliseconds();

    private static string Line(string word, int step, long at) => $"{Guid.NewGuid()} {word} {step} {at}";

    /// <summary>As if the kit had been signed and posted days ago, so that what a phone did half an hour ago can have been.</summary>
    private Task<int> DaysAgo(Store.Kit kit) =>
        studio.Db.Run(
            """
            with p as (update prescription set signed_at = signed_at - interval '4 days' where id = @PrescriptionId)
            update kit set posted_at = posted_at - interval '3 days' where id = @Id
            """,
            new { kit.Id, kit.PrescriptionId }
        );

    private static Task<Visitor> Tell(Visitor client, string guide, params string[] words) =>
        client.Send("#burns-form", $"{guide}?handler=Run", ("steps", string.Join('\n', words)));

    private async Task<(Store.Kit Kit, Visitor Client, Visitor Colourist, string Guide)> Open(string name)
    {
        var (kit, client, colourist) = await studio.FreshKit(name);
        string guide = client.Address;
        await studio.Clear(client, kit);
        return ((await studio.Kits.Get(kit.Id))!, client, colourist, guide);
    }

    [Theory]
    [InlineData("cancelled")]
    [InlineData("stopped")]
    [InlineData("never opened")]
    public async Task A_run_with_a_stroke_is_saved_whatever_the_gate_said_and_means_rinse_now(string how)
    {
        var (kit, client, colourist) = await studio.FreshKit("Offline " + how);
        string guide = client.Address;
        if (how != "never opened")
        {
            await studio.Clear(client, kit);
        }

        // Begun without a network half an hour ago; told only now.
        long begun = Now - 1_800_000;
        await DaysAgo(kit);
        var open = (await studio.Kits.Get(kit.Id))!;
        if (how == "cancelled")
        {
            await studio.Db.Run(
                "update kit set state = 'closed', cancelled_at = now() - interval '2 hours', cancelled_why = 'moved' where id = @Id",
                new { kit.Id }
            );
        }
        else if (how == "stopped")
        {
            await studio.Say.Say(open, (_, k) => KitLife.React(new Speaker(Guid.NewGuid(), DateTime.UtcNow.AddHours(-2), "Tove"), k.Id, "called: it itches"));
        }

        // As a phone sends it: first the start alone, which is refused, then what was done.
        await client.Open(guide);
        await Tell(client, guide, Line("start", 0, begun), Line("step", 1, begun + 1000));
        Assert.Empty(await studio.Runs.Of(kit.Id));
        await client.Open(guide);
        await Tell(client, guide, Line("step", open.RunFirst!.Value, begun + 60_000), Line("step", open.RunFirst.Value + 1, begun + 200_000));
        Assert.Contains("\"part\":\"rinse\"", client.Text, StringComparison.Ordinal);
        await client.Open(guide);
        Assert.Equal("Rinse now", client.Find("h1").TextContent);
        Assert.NotNull(client.Find("a.ambulance"));
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Contains("Colour is on the head now", colourist.Text, StringComparison.Ordinal);
        await client.Send("form[action*=End]");
        Assert.NotEqual("Rinse now", client.Find("h1").TextContent);
        Assert.DoesNotContain("You can start", client.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_page_that_is_over_says_rinse_and_gives_the_telephone()
    {
        var (kit, client, colourist, guide) = await Open("Olive Over");
        await studio.Change.CallOff(kit, "moved away", "Tove", DateTime.UtcNow);
        await client.Open(guide);
        Assert.Equal("This kit is cancelled", client.Find("h1").TextContent);
        Assert.Contains("Rinse it out now", client.Find(".on-hair").TextContent, StringComparison.Ordinal);
        Assert.StartsWith("tel:", client.Find(".on-hair .call").GetAttribute("href"), StringComparison.Ordinal);
        await studio.CloseLinks(kit);
        await client.Open(guide);
        Assert.Equal(HttpStatusCode.Gone, client.Status);
        Assert.Contains("Rinse it out now", client.Find(".on-hair").TextContent, StringComparison.Ordinal);
        Assert.NotNull(colourist);
    }

    [Fact]
    public async Task A_newer_empty_start_of_another_phone_never_replaces_a_run_with_strokes()
    {
        var (kit, client, _, guide) = await Open("Tora Two");
        await DaysAgo(kit);
        await studio.Later(kit, 2);
        int on = kit.RunFirst!.Value;
        long begun = Now - 1_800_000;
        // The second phone starts at once, online; the first began half an hour ago without a network and is heard now.
        await client.Open(guide);
        await client.Send(".start-now", ("colour", "no"));
        await Tell(client, guide, Line("step", 1, Now));
        await client.Open(guide);
        await Tell(
            client,
            guide,
            Line("start", 0, begun),
            Line("step", 1, begun + 500),
            Line("step", on, begun + 60_000),
            Line("step", on + 1, begun + 120_000)
        );
        Assert.Contains($"\"part\":\"doing\",\"at\":{on + 1}", client.Text, StringComparison.Ordinal);
        Assert.Contains($"\"first\":{begun + 60_000}", client.Text, StringComparison.Ordinal);
        Assert.DoesNotContain("\"rinse\":null", client.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(20, null)]
    [InlineData(400, "It has to be between")]
    public async Task Whoever_has_colour_on_already_says_since_when_and_the_clock_runs_from_there(int minutes, string? wrong)
    {
        var (kit, client, _, guide) = await Open($"Sana {minutes}");
        await DaysAgo(kit);
        await studio.Later(kit, 10);
        await client.Open(guide);
        await client.Send(".start-now");
        Assert.Contains("Say whether there is colour on your hair", client.Find("#start .error").TextContent, StringComparison.Ordinal);
        await client.Send(".start-now", ("colour", "yes"), ("since", studio.Local(minutes / 60.0)));
        if (wrong is not null)
        {
            Assert.Contains(client.FindAll("#start .error"), e => e.TextContent.Contains(wrong, StringComparison.Ordinal));
            Assert.NotEmpty(client.FindAll("#start .error time"));
            return;
        }

        await client.Open(guide + "?handler=Run");
        Assert.Contains("\"part\":\"doing\"", client.Text, StringComparison.Ordinal);
        var run = RunState.Of(await studio.Runs.Of(kit.Id), kit.RunSteps);
        Assert.InRange((studio.Clock.GetUtcNow().UtcDateTime - run.FirstStroke!.Value).TotalMinutes, minutes - 1.1, minutes + 1.1);
        Assert.DoesNotContain("\"rinse\":null", client.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task I_have_rinsed_is_not_answered_by_rinse_now_and_hours_later_a_swelling_is_no_rinse_either()
    {
        var (kit, client, _, guide) = await Open("Rikke Rinsed");
        await client.Send(".start-now", ("colour", "no"));
        await Tell(client, guide, Line("step", kit.RunFirst!.Value, Now));
        await client.Open(guide);
        await client.Send("#burns-form", ("felt", "rinsed"), ("happened", "it stung"));
        Assert.Equal("Stop", client.Find("h1").TextContent);
        Assert.Equal("rinsed", client.Find(".screen.alarm[data-felt]").GetAttribute("data-felt"));
        Assert.Contains("Still stinging", client.Find(".screen.alarm[data-felt]").TextContent, StringComparison.Ordinal);
        studio.Clock.Ahead = TimeSpan.FromHours(26);
        await client.Open(guide);
        Assert.Equal("later", client.Find(".screen.alarm[data-felt]").GetAttribute("data-felt"));
        Assert.DoesNotContain("Rinse your hair now", client.Find(".screen.alarm[data-felt]").TextContent, StringComparison.Ordinal);
        studio.Clock.Ahead = TimeSpan.Zero;
    }

    [Fact]
    public async Task A_skin_test_called_positive_by_mistake_opens_nothing_before_the_colourist_has_spoken_to_the_client()
    {
        var (kit, client, colourist) = await studio.FreshKit("Mona Mistake");
        string guide = client.Address;
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await studio.Later(kit, 49);
        await client.Open(guide);
        await client.Send("[data-test^=skin] form", ("result", "reacted"));
        await client.Send(".mistake form");
        Assert.Contains("Your colourist will call you", client.Find("[data-test^=skin]").TextContent, StringComparison.Ordinal);
        // A stale page says clear: nothing opens.
        var on = (await studio.Safety.Of(kit.ClientId)).Events.First(e => e.Kind == SafetyKind.SkinOn);
        await client.Send("#burns-form", $"{guide}?handler=Skin", ("test", on.Id.ToString()), ("result", "clear"), ("id", Guid.NewGuid().ToString()));
        Assert.Empty(client.FindAll("[data-test=strand] form"));
        await colourist.Open("/");
        var first = colourist.FindAll(".today-group")[0];
        Assert.Contains("Reaction withdrawn", first.TextContent, StringComparison.Ordinal);
        Assert.Contains("Mona Mistake", first.TextContent, StringComparison.Ordinal);
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*=AcceptSkin]", ("why", "short"));
        Assert.Contains("10 to 2000 characters", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("form[action*=AcceptSkin]", ("why", "Called: nothing at all on the skin."));
        await client.Open(guide);
        await client.Send("[data-test^=skin] form", ("result", "clear"));
        Assert.NotEmpty(client.FindAll("[data-test=strand] form"));
    }

    [Fact]
    public async Task A_late_box_a_missing_part_and_a_day_that_has_passed_each_have_their_page_and_reach_today()
    {
        var (kit, client, colourist) = await studio.FreshKit("Lara Late");
        string guide = client.Address;
        await studio.Db.Run("update kit set arrives_on = current_date - 3, colour_on = current_date + 8 where id = @Id", new { kit.Id });
        await client.Open(guide);
        Assert.True(client.Find("#box").HasAttribute("open"));
        Assert.Contains("Has your kit arrived?", client.Find("#box summary").TextContent, StringComparison.Ordinal);
        await client.Send("#box form");
        Assert.Contains("will get back to you", client.Text, StringComparison.Ordinal);
        await client.Send("#box form:has(#missing)", ("says", ""));
        Assert.Contains("Say what is missing", client.Find("#box .error").TextContent, StringComparison.Ordinal);
        await client.Send("#box form:has(#missing)", ("says", "The <b>gloves</b> are torn"));
        await studio.Db.Run("update kit set colour_on = current_date - 1, fill_on = current_date - 30 where id = @Id", new { kit.Id });
        await client.Open(guide);
        Assert.Contains("too old now", client.Find(".day-passed").TextContent, StringComparison.Ordinal);
        await client.Send(".day-passed form");
        await colourist.Open("/");
        string asked = colourist.FindAll(".today-group").Single(g => g.TextContent.Contains("From clients", StringComparison.Ordinal)).TextContent;
        Assert.All(["not arrived", "missing or damaged", "new day is wanted"], what => Assert.Contains(what, asked, StringComparison.Ordinal));
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Contains("The <b>gloves</b> are torn", colourist.Text, StringComparison.Ordinal);
        for (int left = 3; left > 0; left--)
        {
            Assert.Equal(left, colourist.FindAll(".kit-note").Count);
            await colourist.Send(".kit-note form");
        }
    }

    [Fact]
    public async Task A_refusal_is_shown_under_its_own_test_with_its_moments_on_the_phones_clock()
    {
        var (_, client, _) = await studio.FreshKit("Uma Under");
        await client.Send("[data-test^=skin] form", ("at", studio.Local(-30)));
        var complaints = client.FindAll(".error").Where(e => e.TextContent.Trim().Length > 0).ToList();
        Assert.Single(complaints);
        Assert.NotNull(complaints[0].Closest("[data-test^=skin]"));
        Assert.Equal(2, complaints[0].QuerySelectorAll("time[datetime]").Length);
        Assert.EndsWith("#" + complaints[0].Closest("section")!.Id, complaints[0].Closest("form")!.GetAttribute("action"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_skin_tests_are_counted_and_each_says_which_sachet_and_where()
    {
        var (kit, client, _) = await studio.FreshKit("Duo Tests");
        await studio.Db.Run("update kit set lines = 'lantern-cream,tidewash-gloss' where id = @Id", new { kit.Id });
        await client.Open(client.Address);
        Assert.Contains("2 skin tests, then 1 strand test", client.Text, StringComparison.Ordinal);
        var tests = client.FindAll("[data-test^=skin]");
        Assert.Equal(2, tests.Count);
        Assert.Contains("left ear", tests[0].TextContent, StringComparison.Ordinal);
        Assert.Contains("right ear", tests[1].TextContent, StringComparison.Ordinal);
        var shelf = studio.Services.GetRequiredService<Core.Shade.Shelf>();
        Assert.Contains(shelf.Find("lantern-cream")!.Name, tests[0].TextContent, StringComparison.Ordinal);
        Assert.Contains(shelf.Find("tidewash-gloss")!.Name, tests[1].TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task After_all_is_rinsed_out_comes_aftercare_and_then_the_report_and_never_get_ready()
    {
        var (kit, client, _, guide) = await Open("Afa Care");
        await client.Send(".start-now", ("colour", "no"));
        await Tell(client, guide, Line("step", kit.RunFirst!.Value, Now));
        await client.Open(guide);
        await client.Send("form[action*=End]");
        Assert.Equal("All rinsed out", client.Find("h1").TextContent);
        Assert.DoesNotContain("Get ready", client.Text, StringComparison.Ordinal);
        string care = client.Find("[data-rinsed]").TextContent;
        Assert.True(care.IndexOf("weigh it", StringComparison.Ordinal) < care.IndexOf("rinse leftover mix away", StringComparison.Ordinal));
        Assert.NotEmpty(client.FindAll("#report.shown"));
    }

    [Fact]
    public async Task The_guide_names_no_grams_of_a_sachet_and_asks_for_all_of_it()
    {
        var (_, client, _, _) = await Open("Gram Less");
        string mix = client.FindAll("[data-kind=mix]")[0].TextContent;
        Assert.Contains("Squeeze all of both into the", mix, StringComparison.Ordinal);
        Assert.DoesNotMatch(@"\d g\b", mix);
    }

    [Theory]
    [InlineData("NO", "113")]
    [InlineData("", "999")]
    public async Task The_local_emergency_number_is_a_link_before_the_studios(string country, string number)
    {
        var (kit, client, _) = await studio.FreshKit("Ambu " + number);
        await studio.Db.Run("update client set country = @country where id = @ClientId", new { country, kit.ClientId });
        await client.Open(client.Address);
        var calls = client.FindAll("#burns a.call").Select(a => a.GetAttribute("href")).ToList();
        Assert.Equal("tel:" + number, calls[0]);
        Assert.Equal(2, calls.Count);
    }

    [Fact]
    public async Task A_phone_is_rung_once_for_each_thing_that_is_due_and_only_at_addresses_of_the_open_network()
    {
        var (kit, client, _, guide) = await Open("Pusha Ring");
        var delivery = studio.Services.GetRequiredService<PushDelivery>();
        Assert.Equal(65, Microsoft.AspNetCore.WebUtilities.WebEncoders.Base64UrlDecode(await delivery.PublicKey()).Length);
        Assert.Equal(await delivery.PublicKey(), await delivery.PublicKey());
        Assert.All(
            [
                "http://push.example.org/x",
                "https://127.0.0.1/x",
                "https://localhost/x",
                "https://push.example.org:8443/x",
                "https://u:p@push.example.org/x",
                "file:///etc/passwd",
            ],
            address => Assert.False(delivery.Accepts(address), address)
        );
        Assert.True(delivery.Accepts("https://push.example.org/send/abc"));
        Assert.All(
            ["127.0.0.1", "10.1.2.3", "172.20.0.1", "192.168.1.1", "169.254.169.254", "100.64.0.1", "0.0.0.0", "::1", "fe80::1", "fd00::1", "::ffff:10.0.0.1"],
            a => Assert.False(PushDelivery.IsPublic(IPAddress.Parse(a)), a)
        );
        Assert.All(["93.184.216.34", "2606:2800:220:1::1"], a => Assert.True(PushDelivery.IsPublic(IPAddress.Parse(a)), a));
        await client.Send("#burns-form", $"{guide}?handler=Push", ("endpoint", "https://127.0.0.1/x"), ("p256dh", "x"), ("auth", "y"));
        Assert.Equal(HttpStatusCode.BadRequest, client.Status);

        // What is due follows the run: two minutes before the rinse, at it, and once it is called off.
        var pushes = studio.Services.GetRequiredService<PushSender>();
        var guides = studio.Services.GetRequiredService<GuideAccess>();
        async Task<PushWord?> Due() => pushes.Due(await guides.Of((await studio.Kits.Get(kit.Id))!));
        Assert.Null(await Due());
        await DaysAgo(kit);
        await client.Open(guide);
        await client.Send(".start-now", ("colour", "no"));
        int wait = int.Parse((await client.Open(guide)).Find("[data-kind=wait]").GetAttribute("data-step")!, System.Globalization.CultureInfo.InvariantCulture);
        await Tell(client, guide, Line("step", kit.RunFirst!.Value, Now), Line("step", wait, Now + 1));
        Assert.Null(await Due());
        double process = Core.Contract.Json.ReadPrescription((await studio.Kits.Frozen(kit.PrescriptionId))!.Document).Clock!.ProcessMinutes.Value;
        foreach (var (minutes, key) in new[] { (process - 1, "soon"), (process + 1, "up") })
        {
            studio.Clock.Ahead = TimeSpan.FromMinutes(minutes);
            var word = await Due();
            Assert.StartsWith(key, word!.Key, StringComparison.Ordinal);
            Assert.True(word.Urgent);
        }

        studio.Clock.Ahead = TimeSpan.Zero;
        await studio.Change.CallOff((await studio.Kits.Get(kit.Id))!, "recalled", "Tove", DateTime.UtcNow);
        Assert.Equal("rinse-now", (await Due())!.Key);
    }
}
