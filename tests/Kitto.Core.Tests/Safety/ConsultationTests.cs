using CsCheck;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;

namespace Kitto.Core.Tests.Safety;

public sealed class ConsultationTests
{
    private static readonly DateOnly Today = new(2027, 3, 1);

    private static readonly Consultation Plain = new(new DateOnly(1980, 1, 1), false, false, false, Scalp.Sound, [], false, [], "");

    private static Consultation With(string rule) =>
        rule switch
        {
            "SA1" => Plain with { Reactions = true },
            "SA2" => Plain with { BirthDate = Today.AddYears(-16).AddDays(1) },
            "SA3" => Plain with { Conditions = ["freshPiercing"] },
            "SA4" => Plain with { PutOn = [new Remembered(new RoughDate(2026, null, null), Treatment.Henna)] },
            "SA9" => Plain with { PutOn = [new Remembered(new RoughDate(2027, 2, null), Treatment.Straightened)] },
            _ => throw new ArgumentOutOfRangeException(nameof(rule)),
        };

    [Theory]
    [InlineData("SA1")]
    [InlineData("SA2")]
    [InlineData("SA3")]
    [InlineData("SA4")]
    [InlineData("SA9")]
    public void Each_stop_that_answers_can_bring_has_a_question_that_reaches_it(string rule)
    {
        Assert.Contains(Question.All, q => q.Rules.Contains(rule));
        var stop = Assert.Single(With(rule).Stops(Today, 35));
        Assert.Equal(rule, stop.Rule);
        Assert.Empty(Plain.Stops(Today, 35));
        Assert.Contains(With(rule).Changes(Plain), c => c.Question.Rules.Contains(rule));
    }

    /// <summary>The stops a question cannot reach are reached by a test (SA6), by the wish (SA7, SA8, SA11) or on paper (SA10).</summary>
    [Fact]
    public void Every_condition_that_is_known_can_be_ticked()
    {
        Assert.Equal(Conditions.Known.Order(), Question.All.SelectMany(q => q.Ticks).Order());
        Assert.All(Question.All.SelectMany(q => q.Ticks.Select(t => (q, t))), x => Assert.Contains(Conditions.Rule(x.t), x.q.Rules));
        Assert.All(Conditions.Known, c => Assert.NotEmpty(Language.English.Tick(c)));
    }

    [Fact]
    public void Answers_written_read_back_to_the_same()
    {
        var gen =
            from born in Gen.Int[1, 30000]
            from yes in Gen.Bool.Array[4]
            from scalp in Gen.Enum<Scalp>()
            from ticks in Gen.Shuffle(Conditions.Known.ToArray(), 0, 5)
            from put in (
                from year in Gen.Int[1950, 2026]
                from month in Gen.Int[0, 12]
                from day in Gen.Int[0, 28]
                from what in Gen.Enum<Treatment>()
                select new Remembered(new RoughDate(year, month == 0 ? null : month, month == 0 || day == 0 ? null : day), what)
            ).List[0, 8]
            select new Consultation(new DateOnly(1930, 1, 1).AddDays(born), yes[0], yes[1], yes[2], scalp, ticks, yes[3], put, "some \"words\"");
        gen.Sample(
            told =>
            {
                var (back, errors) = ConsultationReader.Read(ConsultationReader.Write(told), Today);
                return errors.Count == 0 && ConsultationReader.Write(back!) == ConsultationReader.Write(told) && !back!.Changes(told).Any();
            },
            iter: 300
        );
    }

    [Theory]
    [InlineData("2026", 60)]
    [InlineData("2027-02", 1)]
    [InlineData("2027-02-10", 19)]
    [InlineData("2027", 0)]
    [InlineData("2026-12", 60)]
    public void A_rough_date_counts_as_late_as_it_can_have_been(string text, int days)
    {
        Assert.True(RoughDate.TryParse(text, out var date));
        Assert.Equal(days, date.FewestDays(Today));
        Assert.Equal(text, date.ToString());
    }

    [Theory]
    [InlineData("1899")]
    [InlineData("2026-13")]
    [InlineData("2026-02-30")]
    [InlineData("26")]
    [InlineData("June")]
    [InlineData("")]
    public void What_is_no_date_is_refused(string text) => Assert.False(RoughDate.TryParse(text, out _));

    [Theory]
    [InlineData("""{"kitto":"consultation/1"}""", "reactions")]
    [InlineData("""{"kitto":"consultation/1","putOn":[{"what":"henna","when":"2028"}]}""", "putOn[0].when")]
    [InlineData("""{"kitto":"consultation/1","putOn":[{"what":"tar","when":"2020"}]}""", "putOn[0].what")]
    [InlineData("""{"kitto":"consultation/1","conditions":["warts"]}""", "conditions[0]")]
    [InlineData("""{"kitto":"consultation/1","birthDate":"2027-03-02"}""", "birthDate")]
    [InlineData("[]", "$")]
    [InlineData("{", "$")]
    public void A_wrong_document_is_answered_with_its_field(string json, string path) =>
        Assert.Contains(ConsultationReader.Read(json, Today).Errors, e => e.Path == path && e.Range.Length > 0);

    [Fact]
    public void Answers_hold_for_one_kit_and_thirty_days()
    {
        var now = new DateTime(2027, 3, 1, 12, 0, 0, DateTimeKind.Utc);
        Assert.Equal(AnswersStand.Never, Consultation.Stand(null, null, now));
        Assert.Equal(AnswersStand.Current, Consultation.Stand(now.AddDays(-30), null, now));
        Assert.Equal(AnswersStand.ToConfirm, Consultation.Stand(now.AddDays(-30.1), null, now));
        Assert.Equal(AnswersStand.ToConfirm, Consultation.Stand(now.AddDays(-3), now.AddDays(-2), now));
        Assert.Equal(AnswersStand.Current, Consultation.Stand(now.AddDays(-2), now.AddDays(-3), now));
    }

    private const string Case = """
        {"kitto":"case/1","client":{"ageYears":44},"hair":{"naturalLevel":5,"lengthCm":LENGTH,"lengths":{"level":5HISTORY,"timeline":TIMELINE}},"allZones":{"regrowthMm":15,"greyPercent":40},"goal":{"service":"rootTouchUp"}}
        """;

    private static Prescription Prescribe(string timeline, double lengthCm, string history = "")
    {
        string json = Case.Replace("LENGTH", lengthCm.ToString(System.Globalization.CultureInfo.InvariantCulture))
            .Replace("HISTORY", history.Length == 0 ? "" : $",\"history\":\"{history}\"")
            .Replace("TIMELINE", timeline);
        var (found, errors) = CaseReader.Read(json, Kitto.Tests.Project.Shelf);
        Assert.Empty(errors);
        return Prescriber.Prescribe(found!, Kitto.Tests.Project.Shelf);
    }

    [Theory]
    // 0.2 mm a day at the slowest: 35 cm need 1750 days.
    [InlineData(1700, 35, Decision.Stop)]
    [InlineData(1800, 35, Decision.Kit)]
    [InlineData(1800, 40, Decision.Stop)]
    public void Henna_stops_until_even_slow_hair_has_grown_out_to_its_ends(int daysAgo, double lengthCm, Decision decision)
    {
        var p = Prescribe($$"""[{"what":"henna","daysAgo":{{daysAgo}}},{"what":"permanent","daysAgo":60}]""", lengthCm, "permanent");
        Assert.Equal(decision, p.Decision);
        Assert.Contains(p.Because, b => b.Rule == "SA4");
    }

    [Fact]
    public void What_was_told_and_what_was_read_hold_together_the_worse_of_both()
    {
        Assert.Equal(Decision.Stop, Prescribe("""[{"what":"gloss","daysAgo":10}]""", 35, "metallic").Decision);
        Assert.Equal(Decision.Stop, Prescribe("""[{"what":"metallic","daysAgo":10}]""", 35, "virgin").Decision);
        Assert.Contains(Prescribe("""[{"what":"boxDye","daysAgo":200}]""", 35, "permanent").Because, b => b is { Rule: "SA4", About: Topic.Caution });
        Assert.DoesNotContain(Prescribe("""[{"what":"permanent","daysAgo":200}]""", 35).Because, b => b.Rule == "SA4");
        var straightened = Prescribe("""[{"what":"straightened","daysAgo":14}]""", 35);
        Assert.Contains(straightened.Because, b => b is { Rule: "SA9", About: Topic.Stop });
        Assert.Equal(Decision.Kit, Prescribe("""[{"what":"straightened","daysAgo":15}]""", 35, "permanent").Decision);
    }
}
