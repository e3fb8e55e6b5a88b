using Kitto.Core.Safety;

namespace Kitto.Core.Tests.Safety;

public sealed class EmergencyNumbersTests
{
    [Theory]
    [InlineData("", "GB", "", "999")]
    [InlineData("NO", "GB", "", "113")]
    [InlineData("NO", "GB", "999", "113")]
    [InlineData("GB", "GB", "112", "112")]
    [InlineData("", "SE", "", "112")]
    [InlineData("US", "NO", "113", "911")]
    public void A_client_abroad_is_given_the_number_of_that_country_and_others_the_studios(string client, string studio, string own, string number) =>
        Assert.Equal(number, EmergencyNumbers.For(client, studio, own));

    [Fact]
    public void What_a_client_feels_is_answered_by_what_can_still_be_done() =>
        Assert.All(
            Language.All,
            language =>
            {
                string Lines(FeltWhen felt) => string.Join(' ', Core.Guide.Emergency(language, felt, "117"));
                string rinse = language == Language.English ? "Rinse your hair now" : "Skyll håret nå";
                Assert.Contains(rinse, Lines(FeltWhen.OnHead), StringComparison.Ordinal);
                Assert.All([FeltWhen.Rinsed, FeltWhen.SkinTest, FeltWhen.Later], felt => Assert.DoesNotContain(rinse, Lines(felt), StringComparison.Ordinal));
                Assert.All(Enum.GetValues<FeltWhen>(), felt => Assert.Contains("117", Lines(felt), StringComparison.Ordinal));
                Assert.Equal(Enum.GetValues<FeltWhen>().Length, Enum.GetValues<FeltWhen>().Select(Lines).Distinct().Count());
            }
        );

    /// <summary>Lenses and jewellery come off before the gloves go on.</summary>
    [Fact]
    public void What_is_ticked_before_mixing_can_be_done_in_its_order()
    {
        var checks = Core.Guide.Checks(Language.English);
        int At(string what) => checks.ToList().FindIndex(c => c.Contains(what, StringComparison.OrdinalIgnoreCase));
        Assert.All(["window", "children", "flame", "lenses", "jewellery", "metal", "eyelashes"], what => Assert.InRange(At(what), 0, At("gloves") - 1));
        Assert.Equal(checks.Count - 1, At("gloves"));
        Assert.Equal(checks.Count, Core.Guide.Checks(Language.Norwegian).Count);
    }
}
