using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests;

public sealed class UnitsTests
{
    [Theory]
    [InlineData(typeof(Grams), 0, 10_000)]
    [InlineData(typeof(Millimetres), 0, 2_000)]
    [InlineData(typeof(Share), 0, 1)]
    [InlineData(typeof(Minutes), 0, 1_440)]
    [InlineData(typeof(Level), 1, 12)]
    [InlineData(typeof(Volume), 0, 40)]
    public void A_quantity_is_taken_up_to_its_documented_ends_and_not_beyond(Type type, double min, double max)
    {
        var make = type.GetMethod("Of")!;
        make.Invoke(null, [min]);
        make.Invoke(null, [max]);
        foreach (double outside in new[] { min - 0.001, max + 0.001, double.NaN, double.PositiveInfinity })
        {
            var thrown = Assert.Throws<System.Reflection.TargetInvocationException>(() => make.Invoke(null, [outside]));
            Assert.Contains($"{type.Name} must be {min} to {max}", thrown.InnerException!.Message, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void Grams_cannot_go_below_nothing() => Assert.Throws<ArgumentOutOfRangeException>(() => Grams.Of(1) - Grams.Of(2));

    [Theory]
    [InlineData("N", "N")]
    [InlineData("AB", "AB")]
    [InlineData("GC", "GC")]
    [InlineData("G/C", "GC")]
    [InlineData("NN", "NN")]
    [InlineData("RV", "RV")]
    [InlineData("BAG", "BAG")]
    public void A_tone_is_a_family_or_a_pair(string text, string read)
    {
        Assert.True(Tone.TryParse(text, out var tone));
        Assert.Equal(read, tone.ToString());
    }

    [Theory]
    [InlineData("")]
    [InlineData("A")]
    [InlineData("X")]
    [InlineData("GCR")]
    [InlineData("5")]
    [InlineData("n")]
    public void What_is_no_tone_is_not_taken(string text) => Assert.False(Tone.TryParse(text, out _));

    [Theory]
    [InlineData("GC", "CG", true)]
    [InlineData("NN", "N", true)]
    [InlineData("G", "N", false)]
    [InlineData("AB", "AG", false)]
    public void Order_and_extra_cover_do_not_make_another_tone(string a, string b, bool same) => Assert.Equal(same, Bench.Tone(a).SameAs(Bench.Tone(b)));

    [Fact]
    public void A_prescription_written_and_read_back_is_the_same_document()
    {
        string written = Json.Write(Bench.Prescribe("plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[\"tuesday\"],\"transitDays\":2}"));
        Assert.Equal(written, Json.Write(Json.ReadPrescription(written)));
        Assert.Throws<JsonException>(() => Json.ReadPrescription("null"));
    }
}
