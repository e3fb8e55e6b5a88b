using System.Diagnostics;
using System.Net;
using Kitto.Store;
using Kitto.Web.Demo;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

/// <summary>The door: tries, sessions, devices, passwords.</summary>
public sealed class SignInTests(Studio studio) : IClassFixture<Studio>
{
    private const string Password = "a-long-enough-word";

    private Task<HttpClient> Somebody(string name, Role role = Role.Colourist) => RightsTests.SomebodyOf(studio, role, name);

    /// <summary>A client of plain requests with the cookie of a session.</summary>
    private static async Task<(HttpClient Http, string Cookie)> Plain(Studio studio, string name, string password = Password)
    {
        var http = studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false, HandleCookies = false });
        var (secret, form) = await Form(http);
        var answer = await Post(http, secret, form, name, password);
        string cookie = answer.Headers.GetValues("Set-Cookie").Select(c => c.Split(';')[0]).Single(c => c.StartsWith("kitto=", StringComparison.Ordinal));
        return (http, cookie);
    }

    private static async Task<(string Secret, string Cookie)> Form(HttpClient http)
    {
        using var page = await http.GetAsync("/signin");
        var document = new AngleSharp.Html.Parser.HtmlParser().ParseDocument(await page.Content.ReadAsStringAsync());
        return (
            document.QuerySelector("[name=__RequestVerificationToken]")!.GetAttribute("value")!,
            page.Headers.GetValues("Set-Cookie").Select(c => c.Split(';')[0]).Single(c => c.StartsWith("kitto-form=", StringComparison.Ordinal))
        );
    }

    private static Task<HttpResponseMessage> Post(HttpClient http, string secret, string cookie, string name, string password) =>
        http.SendAsync(
            new HttpRequestMessage(HttpMethod.Post, "/signin")
            {
                Content = new FormUrlEncodedContent(
                    new Dictionary<string, string>
                    {
                        ["UserName"] = name,
                        ["Password"] = password,
                        ["__RequestVerificationToken"] = secret,
                    }
                ),
                Headers = { { "Cookie", cookie } },
            }
        );

    private static async Task<bool> LetsIn(HttpClient http, string cookie)
    {
        using var answer = await http.SendAsync(new HttpRequestMessage(HttpMethod.Get, "/me") { Headers = { { "Cookie", cookie } } });
        return answer.StatusCode == HttpStatusCode.OK;
    }

    [Fact]
    public async Task Of_two_hundred_wrong_passwords_at_once_every_one_is_counted_and_eight_are_looked_at()
    {
        await Somebody("hammered");
        using var http = studio.CreateClient(new WebApplicationFactoryClientOptions { HandleCookies = false });
        var (secret, cookie) = await Form(http);
        string[] said = await Task.WhenAll(
            Enumerable
                .Range(0, 200)
                .Select(async i =>
                {
                    using var answer = await Post(http, secret, cookie, "hammered", $"wrong-password-{i}");
                    return await answer.Content.ReadAsStringAsync();
                })
        );
        Assert.Equal(SignIns.Tries, said.Count(s => s.Contains("do not belong together", StringComparison.Ordinal)));
        Assert.Equal(200 - SignIns.Tries, said.Count(s => s.Contains("Too many tries", StringComparison.Ordinal)));
        // The right one is too late now, here; five minutes on it is not.
        Assert.Contains("Too many tries", (await new Visitor(studio).SignIn("hammered", Password)).Text, StringComparison.Ordinal);
        studio.Clock.Ahead += SignIns.Window + TimeSpan.FromSeconds(5);
        Assert.Equal("/", (await new Visitor(studio).SignIn("hammered", Password)).Address);
    }

    [Fact]
    public async Task A_device_that_signed_in_before_goes_on_while_others_try()
    {
        using var own = await Somebody("known-device");
        for (int i = 0; i < 12; i++)
        {
            await new Visitor(studio).SignIn("known-device", "wrong-password");
        }

        Assert.Contains("Too many tries", (await new Visitor(studio).SignIn("known-device", Password)).Text, StringComparison.Ordinal);
        var known = await new Visitor(studio, own).Open("/me");
        await known.Send("form[action='/signout']");
        Assert.Equal("/", (await known.SignIn("known-device", Password)).Address);
        // And even there tries are counted.
        await known.Open("/me");
        await known.Send("form[action='/signout']");
        for (int i = 0; i < SignIns.Tries; i++)
        {
            await known.SignIn("known-device", "wrong-password");
        }

        Assert.Contains("Too many tries", (await known.SignIn("known-device", Password)).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_name_of_nobody_is_answered_as_any_other_and_as_slowly()
    {
        await Somebody("timed");
        using var http = studio.CreateClient(new WebApplicationFactoryClientOptions { HandleCookies = false });
        var (secret, cookie) = await Form(http);
        async Task<(double Ms, string Text)> Ask(string name)
        {
            var watch = Stopwatch.StartNew();
            using var answer = await Post(http, secret, cookie, name, "wrong-password");
            string text = await answer.Content.ReadAsStringAsync();
            return (watch.Elapsed.TotalMilliseconds, text);
        }

        await Ask("warm");
        var known = new List<double>();
        var unknown = new List<double>();
        for (int i = 0; i < SignIns.Tries; i++)
        {
            var (a, b) = (await Ask("timed"), await Ask("nobody"));
            known.Add(a.Ms);
            unknown.Add(b.Ms);
            Assert.Equal(
                System.Text.RegularExpressions.Regex.Replace(a.Text.Replace("timed", "name", StringComparison.Ordinal), "value=\"CfDJ[^\"]+\"", ""),
                System.Text.RegularExpressions.Regex.Replace(b.Text.Replace("nobody", "name", StringComparison.Ordinal), "value=\"CfDJ[^\"]+\"", "")
            );
        }

        // A hash takes some tens of milliseconds: were it left out for one of them, the quickest of each, which a busy machine delays least, would be far apart.
        double ratio = known.Min() / unknown.Min();
        Assert.InRange(ratio, 0.6, 1.7);
        Assert.Contains("Too many tries", (await Ask("nobody")).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_copied_cookie_is_worth_nothing_once_its_owner_signed_out_changed_the_password_or_left()
    {
        await Somebody("copied");
        var owner = await Visitor.SignedIn(studio);
        var person = (await new People(studio.Db).ByName("COPIED"))!;

        var (http, cookie) = await Plain(studio, "copied");
        Assert.True(await LetsIn(http, cookie));
        using (var page = await http.SendAsync(new HttpRequestMessage(HttpMethod.Get, "/me") { Headers = { { "Cookie", cookie } } }))
        {
            var document = new AngleSharp.Html.Parser.HtmlParser().ParseDocument(await page.Content.ReadAsStringAsync());
            string form = page.Headers.TryGetValues("Set-Cookie", out var set) ? string.Join("; ", set.Select(c => c.Split(';')[0])) : "";
            using var signOut = new HttpRequestMessage(HttpMethod.Post, "/signout")
            {
                Headers = { { "Cookie", $"{cookie}; {form}" } },
                Content = new FormUrlEncodedContent(
                    new Dictionary<string, string>
                    {
                        ["__RequestVerificationToken"] = document
                            .QuerySelector("form[action='/signout'] [name=__RequestVerificationToken]")!
                            .GetAttribute("value")!,
                    }
                ),
            };
            Assert.Equal(HttpStatusCode.Redirect, (await http.SendAsync(signOut)).StatusCode);
        }

        Assert.False(await LetsIn(http, cookie));

        (http, cookie) = await Plain(studio, "copied");
        var elsewhere = await new Visitor(studio).SignIn("copied", Password);
        await elsewhere.Open("/me");
        await elsewhere.Send("form[action*=Password]", ("now", "not-it"), ("next", "short"));
        Assert.Contains("This is not your password", elsewhere.Text, StringComparison.Ordinal);
        Assert.Contains("10 to 200 characters", elsewhere.Text, StringComparison.Ordinal);
        await elsewhere.Send("form[action*=Password]", ("now", Password), ("next", "another-long-word"));
        Assert.Contains("signed out", elsewhere.Text, StringComparison.Ordinal);
        Assert.False(await LetsIn(http, cookie));

        (http, cookie) = await Plain(studio, "copied", "another-long-word");
        await elsewhere.Open("/me");
        await elsewhere.Send($"form.session:has(button)");
        Assert.Equal((false, 1), (await LetsIn(http, cookie), elsewhere.FindAll("form.session").Count));

        (http, cookie) = await Plain(studio, "copied", "another-long-word");
        await owner.Open("/house/people");
        await owner.Send($"form.person:has([value='{person.Id}'])", ("ended", "true"));
        Assert.False(await LetsIn(http, cookie));
        Assert.Contains("do not belong together", (await new Visitor(studio).SignIn("copied", "another-long-word")).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_role_that_is_changed_counts_from_the_next_page_and_somebody_always_runs_the_studio()
    {
        using var http = await Somebody("changing");
        var who = new Visitor(studio, http);
        Assert.Equal(HttpStatusCode.OK, (await who.Open("/clients")).Status);
        var owner = await Visitor.SignedIn(studio);
        var person = (await new People(studio.Db).ByName("CHANGING"))!;
        await owner.Open("/house/people");
        await owner.Send($"form.person:has([value='{person.Id}'])", ("role", "Bench"));
        await who.Open("/clients");
        Assert.Equal(HttpStatusCode.Forbidden, who.Status);
        Assert.Contains("Not yours to open", who.Text, StringComparison.Ordinal);
        Assert.Equal(["Bench", "Shelf", "Study"], who.FindAll("nav a").Select(a => a.TextContent));

        var tove = (await new People(studio.Db).ByName("TOVE"))!;
        await owner.Open("/house/people");
        await owner.Send($"form.person:has([value='{tove.Id}'])", ("role", "Learner"));
        Assert.Contains("Somebody must run the studio", owner.Text, StringComparison.Ordinal);
        Assert.Equal("owner", (await new People(studio.Db).ByName("TOVE"))!.Role);
    }

    [Fact]
    public async Task An_invitation_works_once_and_not_when_taken_back()
    {
        string token = await studio.Links.ToInvite(Role.Learner, DateTime.UtcNow);
        var (first, second) = (await new Visitor(studio).Open("/join/" + token), await new Visitor(studio).Open("/join/" + token));
        await first.Send("main form", ("DisplayName", ""), ("UserName", "x"), ("Password", "short"), ("Email", "no address"));
        foreach (string wrong in new[] { "Type your name", "2 to 40 letters", "10 to 200 characters", "An address such as" })
        {
            Assert.Contains(wrong, first.Text, StringComparison.Ordinal);
        }

        Assert.Equal("no address", first.Typed("Email"));
        await first.Send("main form", ("DisplayName", "Ida Learner"), ("UserName", Seed.UserName), ("Password", Password), ("Email", ""));
        Assert.Contains("Somebody signs in as tove already", first.Text, StringComparison.Ordinal);
        await first.Send("main form", ("UserName", "ida"), ("Password", Password));
        Assert.Equal("/", first.Address);
        await second.Send("main form", ("DisplayName", "Eve"), ("UserName", "eve"), ("Password", Password));
        Assert.Contains("This invitation is closed", second.Text, StringComparison.Ordinal);

        var owner = await Visitor.SignedIn(studio);
        await owner.Open("/house/people");
        await owner.Send("form[action*=Invite]", ("role", "Bench"));
        string address = new Uri(owner.Shown("#invitation")).PathAndQuery;
        Assert.Contains("asks you in as bench", (await new Visitor(studio).Open(address)).Text, StringComparison.Ordinal);
        await owner.Send("form[action*=Close]");
        Assert.Contains("This invitation is closed", (await new Visitor(studio).Open(address)).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_forgotten_password_is_changed_by_a_letter_that_nobody_else_reads()
    {
        using var http = await Somebody("forgetful");
        var own = await new Visitor(studio, http).Open("/me");
        await own.Send("form:has(#email)", ("email", "forgetful@example.org"));
        Assert.Contains("This is not your password", own.Text, StringComparison.Ordinal);
        await own.Send("form:has(#email)", ("sure", "a-long-enough-word"));
        Assert.Contains("Kept", own.Text, StringComparison.Ordinal);
        var (_, cookie) = await Plain(studio, "forgetful");

        var stranger = await new Visitor(studio).Open("/recover");
        await stranger.Send("main form", ("userName", "nobody-at-all"));
        string toNobody = stranger.Find("main").TextContent.Replace("nobody-at-all", "", StringComparison.Ordinal);
        await stranger.Open("/recover");
        await stranger.Send("main form", ("userName", "forgetful"));
        Assert.Contains("a link to a new password is on its way", toNobody, StringComparison.Ordinal);
        Assert.Equal(toNobody, stranger.Find("main").TextContent.Replace("forgetful", "", StringComparison.Ordinal));
        string letter = Assert.Single(await Letters("forgetful@example.org")).TextBody!;
        Assert.Equal(0, await studio.Db.One<int>("select count(*)::int from message where body like '%/recover/%'"));
        string path = new Uri(letter.Split('\n', '\r').Single(l => l.Contains("/recover/", StringComparison.Ordinal))).PathAndQuery;
        var visitor = await new Visitor(studio).Open(path);
        await visitor.Send("main form", ("password", "short"));
        Assert.Contains("10 to 200 characters", visitor.Text, StringComparison.Ordinal);
        await visitor.Send("main form", ("password", "remembered-again"));
        Assert.Equal("/", visitor.Address);
        Assert.False(await LetsIn(studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false, HandleCookies = false }), cookie));
        Assert.Contains("This link is closed", (await new Visitor(studio).Open(path)).Text, StringComparison.Ordinal);
        Assert.Equal("/", (await new Visitor(studio).SignIn("forgetful", "remembered-again")).Address);
    }

    [Fact]
    public async Task Who_has_a_session_alone_does_not_move_the_account_to_another_address()
    {
        using var http = await Somebody("movable");
        var own = await new Visitor(studio, http).Open("/me");
        await own.Send("form:has(#email)", ("email", "movable@example.org"), ("sure", "a-long-enough-word"));
        await own.Open("/me");
        await own.Send("form:has(#email)", ("email", "thief@example.org"), ("sure", ""));
        Assert.Contains("This is not your password", own.Text, StringComparison.Ordinal);
        Assert.Equal("thief@example.org", own.Typed("email"));
        Assert.Equal("movable@example.org", (await Known("movable")).Email);

        // With the password, too, the old address hears of it and is for three days the one a new password goes to.
        await own.Send("form:has(#email)", ("sure", "a-long-enough-word"));
        Assert.Equal("Your email address was changed", Assert.Single(await Letters("movable@example.org")).Subject);
        await AskForLetter("movable");
        Assert.Equal(2, (await Letters("movable@example.org", 2)).Count);
        studio.Clock.Ahead += Person.Settles + TimeSpan.FromMinutes(1);
        await AskForLetter("movable");
        Assert.Contains("/recover/", Assert.Single(await Letters("thief@example.org")).TextBody!, StringComparison.Ordinal);
        Assert.Equal(2, (await Letters("movable@example.org", 2)).Count);
    }

    [Fact]
    public async Task A_session_ends_after_thirty_days_though_it_is_used_every_day()
    {
        using var http = await Somebody("daily");
        var (plain, cookie) = await Plain(studio, "daily");
        Assert.True(await LetsIn(plain, cookie));
        await studio.Db.Run("update session set begun_at = begun_at - interval '29 days 23 hours', seen_at = now()");
        Assert.True(await LetsIn(plain, cookie));
        await studio.Db.Run("update session set begun_at = begun_at - interval '2 hours', seen_at = now()");
        Assert.False(await LetsIn(plain, cookie));
    }

    [Fact]
    public async Task What_counts_once_is_had_by_one_of_many_at_once()
    {
        var people = studio.Services.GetRequiredService<People>();
        var now = DateTime.UtcNow;
        var had = await Task.WhenAll(Enumerable.Range(0, 20).Select(_ => people.UseOnce("an answer", now, now.AddMinutes(5))));
        Assert.Single(had, h => h);
        Assert.False(await people.UseOnce("an answer", now.AddMinutes(4), now.AddMinutes(9)));
        Assert.True(await people.UseOnce("another", now.AddMinutes(6), now.AddMinutes(11)));
        Assert.Equal(1, await studio.Db.One<int>("select count(*)::int from used_once where name like 'an%'"));
    }

    [Theory]
    [InlineData("Password1234", false)]
    [InlineData("1234567890!!", false)]
    [InlineData("qwertyuiop", false)]
    [InlineData("tove marlin 2026", false)]
    [InlineData("Tove.Marlin", false)]
    [InlineData("tovetovetove", false)]
    [InlineData("aaaaaaaaaaaa", false)]
    [InlineData("ALL CAPITALS ARE FINE", true)]
    [InlineData("vier woorden van mij", true)]
    [InlineData("tove likes harbours", true)]
    public async Task A_password_is_judged_by_length_by_how_common_it_is_and_by_the_name_never_by_kinds_of_letters(string password, bool good)
    {
        using var scope = studio.Services.CreateScope();
        var wrong = await scope.ServiceProvider.GetRequiredService<SignIns>().Wrong(new Person { UserName = "tove", DisplayName = "Tove Marlin" }, password);
        Assert.Equal(good, wrong.Count == 0);
    }

    [Fact]
    public async Task An_open_page_hears_of_nothing_any_more_once_its_session_has_ended_and_a_session_has_six_of_them()
    {
        using var http = await Somebody("listening");
        var (plain, cookie) = await Plain(studio, "listening");
        async Task<HttpResponseMessage> Listen() =>
            await plain.SendAsync(
                new HttpRequestMessage(HttpMethod.Get, "/alarms") { Headers = { { "Cookie", cookie } } },
                HttpCompletionOption.ResponseHeadersRead,
                TestContext.Current.CancellationToken
            );
        var open = new List<HttpResponseMessage>();
        for (int i = 0; i < Today.Alarms.MostOfOneSession; i++)
        {
            open.Add(await Listen());
            Assert.Equal(HttpStatusCode.OK, open[^1].StatusCode);
        }

        Assert.Equal(HttpStatusCode.TooManyRequests, (await Listen()).StatusCode);
        open[0].Dispose();
        await studio.Db.Run("update session set ended_at = now() where person_id = (select id from person where user_name = 'listening')");
        foreach (var stream in open.Skip(1))
        {
            // The stream comes to its end by itself.
            await stream
                .Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
                .WaitAsync(TimeSpan.FromSeconds(20), TestContext.Current.CancellationToken);
            stream.Dispose();
        }
    }

    private async Task AskForLetter(string name)
    {
        var stranger = await new Visitor(studio).Open("/recover");
        await stranger.Send("main form", ("userName", name));
    }

    private async Task<Person> Known(string name) => (await studio.Services.GetRequiredService<People>().ByName(name.ToUpperInvariant()))!;

    /// <summary>The letters to an address, once there are so many.</summary>
    private async Task<IReadOnlyList<MimeKit.MimeMessage>> Letters(string to, int count = 1)
    {
        var cancel = TestContext.Current.CancellationToken;
        List<MimeKit.MimeMessage> found = [];
        for (int i = 0; i < 200 && found.Count < count; i++)
        {
            await Task.Delay(50, cancel);
            found = [];
            foreach (string file in Directory.GetFiles(studio.Outbox, "*.eml"))
            {
                var letter = await MimeKit.MimeMessage.LoadAsync(file, cancel);
                if (letter.To.Mailboxes.Any(m => m.Address == to))
                {
                    found.Add(letter);
                }
            }
        }

        return found;
    }
}
