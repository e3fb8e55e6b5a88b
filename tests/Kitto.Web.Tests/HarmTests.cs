using System.Collections.Concurrent;
using System.Diagnostics.Metrics;
using System.Net;
using Dapper;
using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Store;
using Npgsql;

namespace Kitto.Web.Tests;

/// <summary>The ways in which a reaction was lost, a lock was got round or a page failed, each tried as it was found.</summary>
public sealed class HarmTests(Studio studio) : IClassFixture<Studio>
{
    private static readonly string[] RunWords = ["step", "back", "step", "start", "end"];

    private async Task<IReadOnlyList<SafetyEvent>> Reactions(Kit kit) =>
        [.. (await studio.Safety.Of(kit.ClientId)).Events.Where(e => e.Kind == SafetyKind.Reaction)];

    /// <summary>A reaction told by someone with nothing but the address: no cookie, no page before it, no script.</summary>
    private async Task<HttpStatusCode> Burns(string address, params (string, string)[] more)
    {
        using var plain = studio.CreateClient();
        using var body = new FormUrlEncodedContent(more.Select(m => KeyValuePair.Create(m.Item1, m.Item2)));
        return (await plain.PostAsync(new Uri($"{address.Split('?')[0]}?handler=Burns", UriKind.Relative), body)).StatusCode;
    }

    [Fact]
    public async Task A_reaction_from_a_stale_page_is_taken_though_the_test_was_called_clear()
    {
        var (kit, client, _) = await studio.FreshKit("Stale Tabb");
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await studio.Later(kit, 49);
        await client.Open(client.Address);
        var stale = await new Visitor(studio).Open(client.Address);
        await client.Send("[data-test^=skin] form", ("result", "clear"));
        await stale.Send("[data-test^=skin] form", ("result", "reacted"));
        Assert.Equal("Stop", stale.Find("h1").TextContent);
        Assert.Single(await Reactions(kit));
        // And it is not taken back by the other page.
        await client.Open(client.Address);
        Assert.Equal("Stop", client.Find("h1").TextContent);
    }

    [Fact]
    public async Task What_is_taken_for_safety_is_counted_by_its_kind_and_by_nothing_that_tells_of_a_person()
    {
        var counted = new ConcurrentBag<string>();
        using var listener = new MeterListener();
        listener.InstrumentPublished = (instrument, l) =>
        {
            if (instrument.Meter.Name == "Kitto")
            {
                l.EnableMeasurementEvents(instrument);
            }
        };
        listener.SetMeasurementEventCallback<long>(
            (instrument, _, tags, _) => counted.Add($"{instrument.Name} {string.Join(' ', tags.ToArray().Select(t => $"{t.Key}={t.Value}"))}")
        );
        listener.Start();
        var (_, client, _) = await studio.FreshKit("Counta Quill");
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        Assert.Contains("kitto.prescriptions.signed decision=kit", counted);
        Assert.Contains("kitto.safety.events kind=SkinOn", counted);
        Assert.All(counted, c => Assert.Matches(@"^kitto\.[a-z.]+ (kind|decision)=[A-Za-z]+$", c));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task A_picture_of_a_reaction_is_kept_with_it_and_one_that_cannot_be_read_stands_in_no_way(bool readable)
    {
        var (kit, client, _) = await studio.FreshKit("Reda Spot");
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await studio.Later(kit, 49);
        await client.Open(client.Address);
        await client.SendFile("[data-test^=skin] form", ("photo", readable ? Camera.Sideways() : "no picture"u8.ToArray()), ("result", "reacted"));
        Assert.Equal("Stop", client.Find("h1").TextContent);
        var reaction = Assert.Single(await Reactions(kit));
        Assert.Equal(readable, await studio.Reports.Photo(kit.Id, reaction.Id) is not null);
    }

    [Fact]
    public async Task A_reaction_told_with_a_report_is_kept_whatever_is_wrong_with_the_report_and_the_report_can_still_be_sent()
    {
        var (kit, client, _) = await studio.FreshKit("Typa Grams");
        await studio.Clear(client, kit);
        await client.Send(
            ".report form",
            ("coverage", "full"),
            ("depth", "right"),
            ("tone", "right"),
            ("comfort", "reacted"),
            ("leftGrams", "12,5 g or so"),
            ("note", "my ear swelled")
        );
        Assert.Contains("my ear swelled", Assert.Single(await Reactions(kit)).Says, StringComparison.Ordinal);
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
        Assert.Null(await studio.Reports.OutcomeOf(kit.Id));
        Assert.Equal(("Stop", "12,5 g or so", "my ear swelled"), (client.Find("h1").TextContent, client.Typed("leftGrams"), client.Typed("note")));
        await client.Send(".report form", ("leftGrams", "12.5"));
        Assert.Equal(12.5, (await studio.Reports.OutcomeOf(kit.Id))!.LeftGrams);
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
    }

    [Fact]
    public async Task A_reaction_is_taken_after_the_report_in_a_second_report_and_when_a_newer_kit_has_come()
    {
        var (kit, client, colourist) = await studio.FreshKit("Lata Itch");
        await studio.Clear(client, kit);
        (string, string?)[] report = [("coverage", "full"), ("depth", "right"), ("tone", "right"), ("comfort", "fine"), ("leftGrams", "10")];
        var stale = await new Visitor(studio).Open(client.Address);
        await client.Send(".report form", report);
        Assert.NotEmpty(client.FindAll("#burns-form"));
        await stale.Send(".report form", [.. report.Where(r => r.Item1 != "comfort"), ("comfort", "reacted")]);
        Assert.Single(await Reactions(kit));
        Assert.Equal("fine", (await studio.Reports.OutcomeOf(kit.Id))!.Comfort);
        await studio.Db.Run("update kit set state = 'closed', stopped_at = null where id = @Id", new { kit.Id });
        await client.Open(client.Address);
        Assert.Equal("Stop", client.Find("h1").TextContent);
        await client.Send("#burns-form", ("happened", "a rash on the third day"));
        Assert.Equal(2, (await Reactions(kit)).Count);
        await colourist.Open($"/clients/{kit.ClientId}");
        Assert.Contains("a rash on the third day", colourist.Find("#safety").TextContent, StringComparison.Ordinal);
        // The next sitting is a stop, and no sign-off is offered for a kit.
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Equal("Stop: no colour", colourist.Find(".verdict h2").TextContent);
    }

    [Theory]
    [InlineData("revoked_at = now()", true)]
    [InlineData("expires_at = now() - interval '1 day'", true)]
    [InlineData("created_at = now() - interval '729 days', expires_at = now() - interval '600 days'", true)]
    [InlineData("created_at = now() - interval '731 days', expires_at = now() - interval '600 days'", false)]
    public async Task A_reaction_is_taken_through_any_link_that_was_hers_within_two_years(string link, bool taken)
    {
        var (kit, client, _) = await studio.FreshKit("Olda Link");
        await studio.Db.Run($"update link set {link} where kit_id = @Id", new { kit.Id });
        await client.Open(client.Address);
        Assert.Equal(HttpStatusCode.Gone, client.Status);
        Assert.Equal(taken, client.FindAll("#burns-form").Count == 1);
        await Burns(client.Address, ("happened", "itches"));
        Assert.Equal(taken ? 1 : 0, (await Reactions(kit)).Count);
        Assert.Equal(taken ? "stopped" : "posted", (await studio.Kits.Get(kit.Id))!.State);
    }

    [Fact]
    public async Task A_reaction_is_taken_through_the_link_of_the_questions_too_and_from_a_form_nobody_can_read()
    {
        var (kit, client, _) = await studio.FreshKit("Aska Burn");
        string ask = "/g/" + await studio.Links.ToAsk(kit.ClientId, DateTime.UtcNow);
        Assert.NotEmpty((await new Visitor(studio).Open(ask.Replace("/g/", "/ask/", StringComparison.Ordinal))).FindAll("#burns-form"));
        await Burns(ask, ("happened", "a red neck"));
        Assert.Contains("a red neck", Assert.Single(await Reactions(kit)).Says, StringComparison.Ordinal);
        using var plain = studio.CreateClient();
        using var broken = new StringContent("--x\r\nContent-Disposition: form-data; name=\"a\r\n", System.Text.Encoding.UTF8);
        broken.Headers.ContentType = System.Net.Http.Headers.MediaTypeHeaderValue.Parse("multipart/form-data; boundary=x");
        await plain.PostAsync(new Uri($"{client.Address}?handler=Burns", UriKind.Relative), broken);
        await Burns(client.Address, ("happened", new string('a', 50_000) + "\0\ud83d"), ("id", "not an id"));
        Assert.Equal(3, (await Reactions(kit)).Count);
        // The same word sent twice is one.
        string id = Guid.NewGuid().ToString();
        await Burns(client.Address, ("id", id));
        await Burns(client.Address, ("id", id));
        Assert.Equal(4, (await Reactions(kit)).Count);
    }

    [Fact]
    public async Task Two_words_under_one_id_are_two_and_one_word_sent_twice_is_one()
    {
        var (kit, client, _) = await studio.FreshKit("Onid Marsh");
        string id = Guid.CreateVersion7().ToString();
        await client.Send("[data-test^=skin] form", ("id", id), ("at", studio.Local(0)));
        for (int times = 0; times < 3; times++)
        {
            Assert.Equal(HttpStatusCode.OK, await Burns(client.Address, ("id", id), ("happened", "it itches")));
        }

        var record = await studio.Safety.Of(kit.ClientId);
        Assert.Equal([SafetyKind.SkinOn, SafetyKind.Reaction], record.Events.Select(e => e.Kind));
        Assert.NotNull(record.Allergy);
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
        // Another client's id is not this client's: whoever made it up, what is said here is recorded here.
        var (other, theirs, _) = await studio.FreshKit("Onid Fell");
        Assert.Equal(HttpStatusCode.OK, await Burns(theirs.Address, ("id", id)));
        Assert.Single(await Reactions(other));
        Assert.Equal("stopped", (await studio.Kits.Get(other.Id))!.State);
    }

    [Theory]
    [InlineData("a photo of 31 MB")]
    [InlineData("a line that broke off in the photo")]
    [InlineData("a line that broke off in the words")]
    [InlineData("too many fields")]
    [InlineData("too many words")]
    [InlineData("small letters")]
    public async Task A_reaction_is_taken_whatever_else_is_in_the_form(string what)
    {
        var (kit, client, _) = await studio.FreshKit("Multi Part");
        string token = client.Address.Split('?', '#')[0];
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await studio.Later(kit, 49);
        using var plain = studio.CreateClient();
        using var form = new MultipartFormDataContent("x-of-this-form")
        {
            { new StringContent(Guid.CreateVersion7().ToString()), "id" },
            { new StringContent("reacted"), "result" },
            { new StringContent("my eye is swollen"), "happened" },
        };
        if (what == "a photo of 31 MB")
        {
            form.Add(new ByteArrayContent(new byte[31 << 20]), "photo", "spot.jpg");
        }
        else if (what == "too many fields")
        {
            for (int i = 0; i < 2000; i++)
            {
                form.Add(new StringContent("x"), $"more{i}");
            }
        }
        else if (what == "too many words")
        {
            form.Add(new StringContent(new string('x', 5_000_000)), "note");
        }
        else
        {
            form.Add(new ByteArrayContent(Camera.Sideways()), "photo", "spot.jpg");
        }

        byte[] body = await form.ReadAsByteArrayAsync(TestContext.Current.CancellationToken);
        string words = System.Text.Encoding.UTF8.GetString(body);
        if (what.StartsWith("a line that broke off", StringComparison.Ordinal))
        {
            body = body[..(what.EndsWith("photo", StringComparison.Ordinal) ? body.Length - 200 : words.IndexOf("swollen", StringComparison.Ordinal))];
        }

        using var sent = new ByteArrayContent(body);
        sent.Headers.ContentType = form.Headers.ContentType;
        string handler = what == "small letters" ? "skin" : "Skin";
        await plain.PostAsync(new Uri($"{token}?handler={handler}", UriKind.Relative), sent, TestContext.Current.CancellationToken);
        var reaction = Assert.Single(await Reactions(kit));
        Assert.Equal(!what.EndsWith("in the words", StringComparison.Ordinal), reaction.Says.Contains("swollen", StringComparison.Ordinal));
    }

    [Fact]
    public async Task What_is_no_form_is_refused_and_a_reaction_is_not()
    {
        var (kit, client, _) = await studio.FreshKit("Jaso Nell");
        string token = client.Address.Split('?', '#')[0];
        string ask = "/ask/" + await studio.Links.ToAsk(kit.ClientId, DateTime.UtcNow);
        using var plain = studio.CreateClient();
        foreach (string path in (string[])[token, $"{token}?handler=Start", $"{token}?handler=Run", ask, $"{ask}?handler=Picture"])
        {
            using var json = new StringContent("{}", System.Text.Encoding.UTF8, "application/json");
            Assert.Equal(
                HttpStatusCode.BadRequest,
                (await plain.PostAsync(new Uri(path, UriKind.Relative), json, TestContext.Current.CancellationToken)).StatusCode
            );
        }

        Assert.Empty(await Reactions(kit));
        using var burns = new StringContent("{}", System.Text.Encoding.UTF8, "application/json");
        await plain.PostAsync(new Uri($"{token}?handler=burns", UriKind.Relative), burns, TestContext.Current.CancellationToken);
        Assert.Single(await Reactions(kit));
    }

    [Fact]
    public async Task Clear_and_burns_at_the_same_moment_always_end_stopped()
    {
        for (int round = 0; round < 5; round++)
        {
            var (kit, client, _) = await studio.FreshKit("Atta Once");
            await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
            await studio.Later(kit, 49);
            var tabs = await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => new Visitor(studio).Open(client.Address)));
            await Task.WhenAll(tabs.Select((t, i) => i % 2 == 0 ? t.Send("[data-test^=skin] form", ("result", "clear")) : t.Send("#burns-form")));
            await client.Open(client.Address);
            Assert.Equal("Stop", client.Find("h1").TextContent);
            Assert.Equal(2, (await Reactions(kit)).Count);
        }
    }

    [Fact]
    public async Task Reading_ahead_tells_nothing_and_a_run_can_be_ended_and_begun_again_hours_later()
    {
        var (kit, client, colourist) = await studio.FreshKit("Reada Head");
        await studio.Clear(client, kit);
        await client.Open(client.Address);
        await client.Open($"{client.Address}?handler=Run");
        Assert.Contains("\"part\":\"reading\"", client.Text, StringComparison.Ordinal);
        Assert.Empty(await studio.Runs.Of(kit.Id));
        await client.Open(client.Address.Split('?')[0]);
        await client.Send(".start-now", ("colour", "no"));
        Assert.NotEmpty(client.FindAll("#run-steps"));
        string guide = client.Address;
        int paint = client
            .FindAll("[data-step]")
            .Select(s => (s.GetAttribute("data-kind"), int.Parse(s.GetAttribute("data-step")!)))
            .First(s => s.Item1 == "paint")
            .Item2;
        async Task Word(string word, int step) =>
            await client.Send(
                "#burns-form",
                $"{guide}?handler=Run",
                ("steps", $"{Guid.NewGuid()} {word} {step} {studio.Clock.GetUtcNow().ToUnixTimeMilliseconds()}")
            );

        // A first stroke by mistake is taken back; the run is ended.
        await Word("step", paint);
        await client.Open(guide);
        await Word("back", paint);
        Assert.Contains("\"first\":null", client.Text, StringComparison.Ordinal);
        await client.Open(guide);
        await client.Send("form[action*=End]");
        try
        {
            // Hours later it is begun again: the clock is that of the new one.
            studio.Clock.Ahead = TimeSpan.FromHours(5);
            await client.Open(guide);
            await client.Send("form[action*=Start]", ("colour", "no"));
            await Word("step", paint);
            Assert.DoesNotContain("Rinse now", client.Text, StringComparison.Ordinal);
            var run = RunState.Of(await studio.Runs.Of(kit.Id), kit.RunSteps);
            Assert.True((studio.Clock.GetUtcNow().UtcDateTime - run.FirstStroke!.Value).TotalMinutes < 5);

            // Never ended, it is no longer on the head after six hours, and no page minds.
            foreach (double hours in new[] { 5.1, 12.0, 36.0, 24.0 * 40 })
            {
                studio.Clock.Ahead = TimeSpan.FromHours(5 + hours);
                await client.Open(guide);
                Assert.Equal(HttpStatusCode.OK, client.Status);
                var again = await Visitor.SignedIn(studio);
                Assert.Equal(HttpStatusCode.OK, (await again.Open($"/kits/{kit.Id}")).Status);
                Assert.Equal(HttpStatusCode.OK, (await again.Open("/")).Status);
            }
        }
        finally
        {
            studio.Clock.Ahead = TimeSpan.Zero;
        }
    }

    [Fact]
    public async Task More_words_than_a_run_can_have_and_words_of_every_sort_make_no_page_fail()
    {
        var (kit, client, colourist) = await studio.FreshKit("Worda Flood");
        await studio.Clear(client, kit);
        await client.Send(".start-now", ("colour", "no"));
        string guide = client.Address;
        var chance = new Random(7);
        long now = studio.Clock.GetUtcNow().ToUnixTimeMilliseconds();
        for (int batch = 0; batch < 3; batch++)
        {
            var words = Enumerable.Range(0, 400).Select(i => $"{Guid.NewGuid()} {RunWords[chance.Next(5)]} {chance.Next(0, 20)} {now + batch * 400 + i}");
            await client.Send("#burns-form", $"{guide}?handler=Run", ("steps", string.Join('\n', words)));
            Assert.Equal(HttpStatusCode.OK, client.Status);
            await client.Open(guide);
            Assert.Equal(HttpStatusCode.OK, client.Status);
        }

        Assert.InRange((await studio.Runs.Of(kit.Id)).Count, 2, RunState.Most * 2);
        Assert.Equal(HttpStatusCode.OK, (await colourist.Open($"/kits/{kit.Id}")).Status);
    }

    [Theory]
    [InlineData("a skin test that grows too old")]
    [InlineData("something new she answered")]
    [InlineData("a link that is closed")]
    [InlineData("a reaction")]
    public async Task With_colour_on_the_head_the_guide_stays_and_a_stop_means_rinse_now(string what)
    {
        var (kit, client, colourist) = await studio.FreshKit("Mida Colour");
        await studio.Clear(client, kit);
        await client.Send(".start-now", ("colour", "no"));
        string guide = client.Address;
        int paint = int.Parse(client.Find("[data-kind=paint]").GetAttribute("data-step")!);
        await client.Send(
            "#burns-form",
            $"{guide}?handler=Run",
            ("steps", $"{Guid.NewGuid()} step {paint} {studio.Clock.GetUtcNow().ToUnixTimeMilliseconds()}")
        );
        switch (what)
        {
            case "a skin test that grows too old":
                await studio.Later(kit, 20 * 24);
                break;
            case "something new she answered":
                await colourist.Open($"/clients/{kit.ClientId}/answers");
                await colourist.Answer(".questions", ("is.newTattoo", "true"), ("none.since", null));
                break;
            case "a link that is closed":
                await studio.CloseLinks(kit);
                break;
            default:
                await Burns(guide);
                break;
        }

        await client.Open(guide);
        Assert.Equal(HttpStatusCode.OK, client.Status);
        if (what != "a reaction")
        {
            Assert.NotEmpty(client.FindAll("[data-kind=rinse]"));
            Assert.NotEmpty(client.FindAll("#run-clock"));
        }
        else
        {
            Assert.Equal("Rinse now", client.Find("h1").TextContent);
            await colourist.Open("/");
            Assert.Contains(colourist.FindAll(".today-group.alarm"), g => g.TextContent.Contains("colour is on the head", StringComparison.Ordinal));
            await client.Send("form[action*=End]");
            Assert.Equal("Stop", client.Find("h1").TextContent);
        }

        Assert.NotEmpty(client.FindAll("#burns-form"));
    }

    [Theory]
    [InlineData(2, false, "")]
    [InlineData(11, false, "stopped")]
    [InlineData(2, true, "stopped")]
    public async Task A_reaction_that_was_tapped_by_mistake_is_taken_back_within_ten_minutes_and_both_stay_on_record(int minutes, bool another, string state)
    {
        var (kit, client, colourist) = await studio.FreshKit($"Tapped {minutes} {another}");
        string guide = client.Address;
        await Burns(guide);
        if (another)
        {
            await colourist.Open($"/clients/{kit.ClientId}/answers");
            await colourist.Answer(".questions", ("scalp", "broken"));
        }

        if (minutes > 10)
        {
            await studio.Later(kit, minutes / 60.0);
        }

        await client.Open(guide);
        Assert.Equal("Stop", client.Find("h1").TextContent);
        Assert.Equal(minutes < 10 && !another, client.FindAll(".mistake").Count > 0);
        var told = (await studio.Safety.Of(kit.ClientId)).Events.First(e => e.Kind == SafetyKind.Reaction);
        string id = Guid.NewGuid().ToString();
        // A page that stood open sends it however late, and may send it twice.
        for (int twice = 0; twice < 2; twice++)
        {
            await client.Send("#burns-form", $"{guide.Split('?')[0]}?handler=Mistake", ("what", told.Id.ToString()), ("id", id));
        }

        var record = await studio.Safety.Of(kit.ClientId);
        Assert.Contains(record.Events, e => e.Id == told.Id);
        Assert.Equal(minutes < 10 ? 2 : 0, record.Events.Count(e => e.Of == told.Id));
        Assert.Equal(minutes < 10, record.Allergy is null);
        var now = (await studio.Kits.Get(kit.Id))!;
        Assert.Equal((state.Length > 0 ? state : kit.State, state.Length > 0), (now.State, now.StoppedAt is not null));
        await colourist.Open("/");
        Assert.Equal(
            minutes < 10,
            colourist
                .FindAll(".line")
                .Any(l => l.TextContent.Contains(kit.ClientName, StringComparison.Ordinal) && l.TextContent.Contains("withdrew it", StringComparison.Ordinal))
        );
    }

    [Fact]
    public async Task Nothing_opens_by_dates_that_cannot_be_and_after_a_strand_that_was_not_right_only_the_colourist_opens()
    {
        var (kit, client, colourist) = await studio.FreshKit("Backa Date");
        await studio.Db.Run("update kit set posted_at = now() - interval '1 day', transit_days = 2 where id = @Id", new { kit.Id });
        await client.Send("[data-test^=skin] form", ("at", studio.Local(20)));
        Assert.Contains("had not arrived by then", client.Text, StringComparison.Ordinal);
        // Quicker post than planned: put on now, it counts. The phone says the moment with its own offset.
        var phone = DateTimeOffset.UtcNow.ToOffset(TimeSpan.FromHours(11)).AddMinutes(-3);
        await client.Send("[data-test^=skin] form", ("at", phone.ToString("yyyy-MM-ddTHH:mm")), ("moment", phone.ToString("yyyy-MM-ddTHH:mm") + "+11:00"));
        var on = (await studio.Safety.Of(kit.ClientId)).Events.Single();
        Assert.Equal(phone.UtcDateTime, on.At, TimeSpan.FromMinutes(1));
        // Clear, and right, at once, forged past the page.
        await client.Send("#burns-form", $"{client.Address}?handler=Skin", ("result", "clear"), ("test", on.Id.ToString()));
        Assert.Contains("48 hours are not over", client.Text, StringComparison.Ordinal);
        await client.Send("#burns-form", $"{client.Address.Split('?')[0]}?handler=Strand", ("result", "right"));
        Assert.Contains("The skin test comes first", client.Text, StringComparison.Ordinal);
        await studio.Later(kit, 49);
        await client.Open(client.Address.Split('?')[0]);
        await client.Send("[data-test^=skin] form", ("result", "clear"));
        await studio.Later(kit, 1);
        await client.Open(client.Address);
        await client.Send("[data-test=strand] form", ("result", "tooDark"), ("minutes", "a while"));
        await client.Send("[data-test=strand] form", ("result", "right"), ("minutes", "20"));
        Assert.Empty(client.FindAll("[data-step]"));
        Assert.Contains("Wait for your colourist to look at it", client.Text, StringComparison.Ordinal);
        await colourist.Open("/");
        Assert.Contains("waits for you", colourist.Text, StringComparison.Ordinal);
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*=Release]");
        await client.Open(client.Address);
        Assert.NotEmpty(client.FindAll("[data-step]"));
        // Said last, too light locks it again.
        await client.Send("#burns-form", $"{client.Address}?handler=Strand", ("result", "tooLight"));
        Assert.Empty(client.FindAll("[data-step]"));
    }

    [Fact]
    public async Task A_day_of_birth_under_sixteen_stops_what_is_out_and_only_a_correction_in_two_steps_takes_it_back()
    {
        var (kit, client, colourist) = await studio.FreshKit("Younga Born");
        await colourist.Open($"/clients/{kit.ClientId}/edit");
        await colourist.Send("main form", ("BirthDate", studio.Clock.GetUtcNow().AddYears(-15).ToString("yyyy-MM-dd")));
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
        await client.Open(client.Address);
        Assert.Equal("Stop", client.Find("h1").TextContent);
        await colourist.Open($"/clients/{kit.ClientId}/edit");
        await colourist.Send("main form", ("BirthDate", "1980-01-01"));
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Equal("Stop: no colour", colourist.Find(".verdict h2").TextContent);

        await colourist.Open($"/clients/{kit.ClientId}");
        await colourist.Send("#safety form[action*=Doubt]", ("reason", "typo"));
        Assert.Contains("Say why it was a mistake: 10 to 2000", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("typo", colourist.Typed("reason"));
        await colourist.Send("#safety form[action*=Doubt]", ("reason", "The year was typed wrong; her passport says 1980."));
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Equal("Stop: no colour", colourist.Find(".verdict h2").TextContent);
        await colourist.Open($"/clients/{kit.ClientId}");
        await colourist.Send("#safety form[action*=Correct]");
        Assert.Contains("Corrected by Tove Marlin", colourist.Find("#safety").TextContent, StringComparison.Ordinal);
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.DoesNotContain("Stop: no colour", colourist.Text, StringComparison.Ordinal);
        // The kit that was stopped stays so, also when it is put away.
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*=PutAway]");
        await client.Open(client.Address);
        Assert.Equal("Stop", client.Find("h1").TextContent);
        Assert.Equal(3, (await studio.Safety.Of(kit.ClientId)).Events.Count);
    }

    [Fact]
    public async Task What_was_told_of_the_hair_and_of_her_age_is_not_erased_by_newer_answers()
    {
        var (kit, _, colourist) = await studio.FreshKit("Henna Before");
        var month = studio.Clock.GetUtcNow().AddMonths(-2);
        string answers = $"/clients/{kit.ClientId}/answers";
        await colourist.Open(answers);
        await colourist.Answer(".questions", ("put.0.what", "henna"), ("put.0.month", month.Month.ToString()), ("put.0.year", month.Year.ToString()));
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
        await colourist.Open(answers);
        await colourist.Answer(".questions", ("put.0.what", "permanent"), ("put.0.month", "3"), ("put.0.year", "2025"));
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Contains("SA4", colourist.Find("#answer").TextContent, StringComparison.Ordinal);
        await colourist.Open(answers);
        await colourist.Answer(".questions", ("birthDate", studio.Clock.GetUtcNow().AddYears(-15).ToString("yyyy-MM-dd")));
        await colourist.Open(answers);
        await colourist.Answer(".questions", ("birthDate", "1980-01-01"));
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Contains("SA2", colourist.Find("#answer").TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Answers_given_by_mistake_are_corrected_and_asked_again_and_only_then_a_kit_is_signed()
    {
        var (kit, _, colourist) = await studio.FreshKit("Mista Keyes");
        string answers = $"/clients/{kit.ClientId}/answers";
        await colourist.Open(answers);
        await colourist.Answer(".questions", ("reactions", "yes"), ("blackHenna", "yes"));
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
        await colourist.Open($"/clients/{kit.ClientId}");
        while (colourist.FindAll("#safety form[action*=Doubt]").Count > 0)
        {
            await colourist.Send("#safety form[action*=Doubt]", ("reason", "Taken down for another client of the same name."));
            await colourist.Send("#safety form[action*=Correct]");
        }

        string sitting = $"/clients/{kit.ClientId}/prescription";
        await colourist.Open(sitting);
        Assert.DoesNotContain("Stop: no colour", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("#sitting", "?handler=Sign");
        Assert.Contains("Ask again", colourist.Text, StringComparison.Ordinal);
        await colourist.Open(answers);
        await colourist.Answer(".questions");
        await colourist.Open(sitting);
        await colourist.Send("#sitting", "?handler=Sign");
        Assert.StartsWith("/kits/", colourist.Address, StringComparison.Ordinal);
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
    }

    [Theory]
    [InlineData("answers")]
    [InlineData("reading")]
    [InlineData("report")]
    [InlineData("birth")]
    public async Task What_stops_and_its_stop_are_one_write_killed_in_between_neither_is_kept(string what)
    {
        var (kit, client, colourist) = await studio.FreshKit("Killa Between");
        await studio.Clear(client, kit);
        await using var owner = new NpgsqlConnection(studio.Connection + ";Pooling=false");
        await owner.OpenAsync();
        // The kit cannot be stopped: as if the process were killed before it came to that.
        string name = "kill_" + kit.Id.ToString("N");
        await owner.ExecuteAsync(
            $"create function {name}() returns trigger language plpgsql as $$ begin if new.id = '{kit.Id}' then raise exception 'killed'; end if; return new; end $$; create trigger {name} before update on kit for each row execute function {name}()"
        );
        var (answers, readings) = ((await studio.Answers.Of(kit.ClientId)).Count, (await studio.Clients.LatestReading(kit.ClientId))!.Version);
        switch (what)
        {
            case "answers":
                await colourist.Open($"/clients/{kit.ClientId}/answers");
                await colourist.Answer(".questions", ("reactions", "yes"));
                break;
            case "reading":
                await colourist.Open($"/clients/{kit.ClientId}/prescription");
                await colourist.Send("#sitting", "?handler=Keep", ("client.scalp", "broken"));
                break;
            case "report":
                await client.Send(".report form", ("coverage", "full"), ("depth", "right"), ("tone", "right"), ("comfort", "reacted"), ("leftGrams", "10"));
                Assert.Contains("Rinse your hair now", client.Text, StringComparison.Ordinal);
                break;
            default:
                await colourist.Open($"/clients/{kit.ClientId}/edit");
                await colourist.Send("main form", ("BirthDate", studio.Clock.GetUtcNow().AddYears(-15).ToString("yyyy-MM-dd")));
                break;
        }

        Assert.Equal(HttpStatusCode.InternalServerError, what == "report" ? client.Status : colourist.Status);
        Assert.Equal((answers, readings), ((await studio.Answers.Of(kit.ClientId)).Count, (await studio.Clients.LatestReading(kit.ClientId))!.Version));
        Assert.Null(await studio.Reports.OutcomeOf(kit.Id));
        Assert.Empty((await studio.Safety.Of(kit.ClientId)).Stops);
        Assert.Equal(new DateOnly(1980, 1, 1), (await studio.Clients.Get(kit.ClientId))!.BirthDate);
        await owner.ExecuteAsync($"drop trigger {name} on kit; drop function {name}()");
    }
}
