namespace Kitto.Web.Tests;

public sealed class FirstDayTests(EmptyStudio studio) : IClassFixture<EmptyStudio>
{
    [Fact]
    public async Task Without_a_demo_the_first_account_is_made_once()
    {
        var visitor = await new Visitor(studio).Open("/");
        Assert.Equal("/setup", visitor.Address);
        await visitor.Send(
            "main form",
            ("Studio", "Quay Colour"),
            ("TimeZone", "Nowhere/Land"),
            ("Destination", "Far Isle"),
            ("UserName", "ada"),
            ("Password", "short")
        );
        Assert.Contains("No such time zone", visitor.Text, StringComparison.Ordinal);
        Assert.Contains("10 to 200 characters", visitor.Text, StringComparison.Ordinal);
        Assert.Equal("Quay Colour", visitor.Typed("Studio"));
        await visitor.Send("main form", ("TimeZone", "Europe/London"), ("Password", "long-enough-now"));
        Assert.Equal("/", visitor.Address);
        Assert.Contains("Nobody needs anything today", visitor.Text, StringComparison.Ordinal);
        var other = await new Visitor(studio).Open("/setup");
        Assert.StartsWith("/signin", other.Address, StringComparison.Ordinal);
        Assert.DoesNotContain("demo", other.Text, StringComparison.OrdinalIgnoreCase);
    }
}
