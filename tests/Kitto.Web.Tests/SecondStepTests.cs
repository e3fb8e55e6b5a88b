using System.Buffers.Binary;
using System.Security.Cryptography;
using System.Text;
using Kitto.Store;
using Kitto.Web.Identity;

namespace Kitto.Web.Tests;

/// <summary>The second step, with a phone of our own.</summary>
public sealed class SecondStepTests(Studio studio) : IClassFixture<Studio>
{
    private const string Password = "a-long-enough-word";

    /// <summary>The code of a key at a moment, by RFC 6238 with SHA-1, steps of 30 s and six digits.</summary>
    private static string Phone(byte[] key, long seconds)
    {
        byte[] counter = new byte[8];
        BinaryPrimitives.WriteInt64BigEndian(counter, seconds / 30);
#pragma warning disable CA5350 // The standard's own hash.
        byte[] hash = HMACSHA1.HashData(key, counter);
#pragma warning restore CA5350
        int at = hash[^1] & 15;
        return ((BinaryPrimitives.ReadInt32BigEndian(hash.AsSpan(at)) & int.MaxValue) % 1_000_000).ToString("000000");
    }

    private static byte[] Base32(string text)
    {
        var (bits, left, bytes) = (0, 0, new List<byte>());
        foreach (int digit in text.Select(c => "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567".IndexOf(c, StringComparison.Ordinal)))
        {
            (bits, left) = ((bits << 5) | digit, left + 5);
            if (left >= 8)
            {
                bytes.Add((byte)(bits >> (left -= 8)));
                bits &= (1 << left) - 1;
            }
        }

        return [.. bytes];
    }

    private static string Phone(string key, int later = 0) => Phone(Base32(key), DateTimeOffset.UtcNow.ToUnixTimeSeconds() + later);

    [Theory]
    // RFC 6238, appendix B, the last six of eight digits.
    [InlineData(59, "287082")]
    [InlineData(1111111109, "081804")]
    [InlineData(1234567890, "005924")]
    [InlineData(20000000000, "353130")]
    public void Our_phone_shows_what_the_standard_says(long seconds, string code) =>
        Assert.Equal(code, Phone(Encoding.ASCII.GetBytes("12345678901234567890"), seconds));

    [Fact]
    public async Task A_key_that_was_not_shown_to_this_person_just_now_is_not_taken_and_one_that_is_there_not_replaced()
    {
        async Task<bool> Asked(string name) => await studio.Db.One<bool>("select totp_at is not null from person where user_name = @name", new { name });
        using var http = await RightsTests.SomebodyOf(studio, Role.Colourist, "step-owner");
        var own = await new Visitor(studio, http).Open("/me");
        await own.Send("form[action*=Step]", ("sure", Password));
        string key = own.Find(".key-text").TextContent.Replace(" ", "", StringComparison.Ordinal);
        string shown = own.Typed("key")!;

        // Somebody else's page, a key made up, and the same key a quarter of an hour later.
        using var others = await RightsTests.SomebodyOf(studio, Role.Colourist, "step-other");
        var other = await new Visitor(studio, others).Open("/me");
        await other.Send("form[action*=Step]", ("sure", Password));
        foreach (string forged in (string[])[shown, key, "JBSWY3DPEHPK3PXPJBSWY3DPEHPK3PXP", ""])
        {
            await other.Open("/me");
            await other.Send("form[action*=Step]", ("sure", Password));
            await other.Send("form[action*=Take]", ("key", forged), ("code", Phone(forged.Length == 32 ? forged : key)));
            Assert.False(await Asked("step-other"), forged);
        }

        await own.Send("form[action*=Take]", ("code", Phone(key)));
        Assert.True(await Asked("step-owner"));

        // What is there is not replaced: neither by the key that was shown, nor by a new one.
        string before = (await studio.Db.One<string>("select totp_sealed from person where user_name = 'step-owner'"))!;
        await own.Open("/me");
        string secret = own.Typed("__RequestVerificationToken")!;
        foreach (string query in (string[])["?handler=Take", "?handler=Step"])
        {
            using var form = new FormUrlEncodedContent(
                new Dictionary<string, string>
                {
                    ["key"] = shown,
                    ["code"] = Phone(key, 30),
                    ["sure"] = Password,
                    ["__RequestVerificationToken"] = secret,
                }
            );
            using var answer = await http.PostAsync("/me" + query, form);
            string page = await answer.Content.ReadAsStringAsync();
            Assert.DoesNotContain("key-text", page, StringComparison.Ordinal);
        }

        Assert.Equal(before, await studio.Db.One<string>("select totp_sealed from person where user_name = 'step-owner'"));
    }

    [Fact]
    public async Task A_code_is_asked_for_counts_once_and_paper_helps_without_the_phone()
    {
        using var http = await RightsTests.SomebodyOf(studio, Role.Colourist, "two-steps");
        var own = await new Visitor(studio, http).Open("/me");
        await own.Send("form[action*=Step]", ("sure", "another-word-than-mine"));
        Assert.Contains("This is not your password", own.Text, StringComparison.Ordinal);
        await own.Send("form[action*=Step]", ("sure", Password));
        string key = own.Find(".key-text").TextContent.Replace(" ", "", StringComparison.Ordinal);
        Assert.Equal(32, key.Length);
        string shown = own.Typed("key")!;
        await own.Send("form[action*=Take]", ("code", "000000"));
        Assert.Contains("This code does not fit", own.Text, StringComparison.Ordinal);
        Assert.Equal(shown, own.Typed("key"));
        await own.Send("form[action*=Take]", ("code", Phone(key)));
        var papers = own.FindAll(".papers li").Select(l => l.TextContent).ToList();
        Assert.Equal(SecondStep.Papers, papers.Count);
        Assert.DoesNotContain(key, (await studio.Db.One<string>("select totp_sealed from person where user_name = 'two-steps'"))!, StringComparison.Ordinal);

        var visitor = await new Visitor(studio).SignIn("two-steps", Password);
        Assert.StartsWith("/signin/code", visitor.Address, StringComparison.Ordinal);
        Assert.StartsWith("/signin", (await visitor.Open("/clients")).Address, StringComparison.Ordinal);
        await visitor.Open("/signin/code");
        await visitor.Send("main form", ("code", "123"));
        Assert.Contains("does not fit", visitor.Text, StringComparison.Ordinal);
        string code = Phone(key);
        await visitor.Send("main form", ("code", code));
        Assert.Equal("/", visitor.Address);

        var second = await new Visitor(studio).SignIn("two-steps", Password);
        await second.Send("main form", ("code", code));
        Assert.Contains("was used before", second.Text, StringComparison.Ordinal);
        await second.Send("main form", ("code", papers[3].ToUpperInvariant()));
        Assert.Equal("/", second.Address);
        var third = await new Visitor(studio).SignIn("two-steps", Password);
        await third.Send("main form", ("code", papers[3]));
        Assert.Contains("was used before", third.Text, StringComparison.Ordinal);

        // Of two codes that both still count, the first does not come back once the second was used.
        studio.Clock.Ahead += TimeSpan.FromSeconds(1);
        var fourth = await new Visitor(studio).SignIn("two-steps", Password);
        await fourth.Send("main form", ("code", Phone(key, 60)));
        Assert.Equal("/", fourth.Address);
        var fifth = await new Visitor(studio).SignIn("two-steps", Password);
        await fifth.Send("main form", ("code", code));
        Assert.Contains("was used before", fifth.Text, StringComparison.Ordinal);

        // Whoever has the password tries codes no more often than passwords.
        for (int i = 0; i < SignIns.Tries; i++)
        {
            await third.Send("main form", ("code", $"00000{i}"));
        }

        Assert.Contains("Too many tries", third.Text, StringComparison.Ordinal);
        Assert.StartsWith("/signin", (await new Visitor(studio).Open("/signin/code")).Address, StringComparison.Ordinal);

        studio.Clock.Ahead += SignIns.Window + TimeSpan.FromSeconds(5);
        await own.Open("/me");
        Assert.Contains("9 codes on paper are left", own.Text, StringComparison.Ordinal);
        await own.Send("form[action*=GiveUp]", ("code", code));
        Assert.Contains("was used before", own.Text, StringComparison.Ordinal);
        await own.Send("form[action*=GiveUp]", ("code", Phone(key, 30)));
        Assert.Contains("No code is asked for any more", own.Text, StringComparison.Ordinal);
        Assert.Equal("/", (await new Visitor(studio).SignIn("two-steps", Password)).Address);
    }
}
