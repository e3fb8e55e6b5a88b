using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Web.Bench;
using Kitto.Web.Pictures;

namespace Kitto.Web.Sittings;

/// <summary>What the record says about a client, gathered once for a page.</summary>
public sealed record ClientRecord(
    Client Client,
    Studio Studio,
    Destination Destination,
    StoredReading? Reading,
    IReadOnlyList<SignedPrescription> Prescriptions,
    IReadOnlyList<OutcomeReport> Outcomes,
    SafetyRecord Safety,
    IReadOnlyList<ClientWay> Ways,
    IReadOnlyList<StoredAnswers> Answers,
    IReadOnlyList<MeasuredGrowth> Measured,
    IReadOnlyList<SchoolChoice> Choices,
    string Stand,
    DateTime Now
)
{
    /// <summary>How kits came out as it was measured on the card, by kit.</summary>
    public IReadOnlyDictionary<Guid, SeenAfter> Seen { get; init; } = new Dictionary<Guid, SeenAfter>();

    /// <summary>The day it is in the studio.</summary>
    public DateOnly Today => Studio.Today(Now);

    /// <summary>Her regrowth as it was measured, for her rate.</summary>
    public IReadOnlyList<Grown> Grown =>
        [
            .. Measured
                .Select(m => new Grown(Millimetres.Of(m.Mm), Studio.Today(m.TakenAt).DayNumber - m.Since.DayNumber))
                .Where(g => g.Days is >= GrowthRate.LeastDays and <= 3650),
        ];

    /// <summary>The colour day that came after the last reading was taken; null where none did.</summary>
    public DateOnly? ColouredSince =>
        Reading is { } reading ? Outcomes.Select(o => (DateOnly?)o.AppliedOn).FirstOrDefault(d => d >= Studio.Today(reading.TakenAt)) : null;

    // Asked for several times a page; the record it is read from never changes.
    private Consultation? told;

    /// <summary>Her answers that were not corrected, newest first.</summary>
    private IEnumerable<StoredAnswers> Standing => Answers.Where(a => !Safety.IsStruck($"answers:{a.Id}"));

    /// <summary>What she answered last, word for word; null where she was never asked, or what she answered was corrected.</summary>
    public Consultation? Last => Standing.FirstOrDefault() is { } last ? ConsultationReader.Kept(last.Document) : null;

    /// <summary>What she answered, with what she told earlier and left out later; null where she was never asked.</summary>
    public Consultation? Told => told ??= Last is { } last ? Joined(last) : null;

    /// <summary>Answers together with what stands of the earlier ones.</summary>
    public Consultation Joined(Consultation told) => told.With(Standing.Select(a => ConsultationReader.Kept(a.Document)), Safety.Youngest);

    /// <summary>Her whole years today, by the youngest day of birth that was ever given.</summary>
    public int Age => Consultation.Age(Safety.Youngest ?? Client.BirthDate, Today);

    /// <summary>Skin tests that were put on, newest first, and whether each was found clear.</summary>
    public IEnumerable<(SafetyEvent On, bool Clear)> SkinTests =>
        Safety
            .Events.Where(e => e.Kind == SafetyKind.SkinOn)
            .OrderByDescending(e => e.At)
            .Select(on => (on, Safety.Events.Any(e => e.Kind == SafetyKind.SkinClear && e.Of == on.Id)));

    /// <summary>Since when skin tests count, because something new was answered then; null where nothing ever was.</summary>
    public DateTime? TestsCountFrom => Safety.TestsCountFrom;

    /// <summary>Length of her hair as last read, cm; null where it was not.</summary>
    public double? LengthCm => LengthOf(Reading);

    /// <summary>The length of the hair in a reading, cm; null where it was not read.</summary>
    public static double? LengthOf(StoredReading? reading) =>
        reading is null ? null : TypedNumber.Read(FormValues.Kept(reading.Document)[CaseFields.HairLengthCm.Path], CaseFields.HairLengthCm);

    /// <summary>When the last kit was signed.</summary>
    public DateTime? LastSigned => Prescriptions.Where(p => p.KitId is not null).Select(p => (DateTime?)p.SignedAt).Max();

    /// <summary>Where her answers stand for the kit that comes now.</summary>
    public AnswersStand AnswersStand => Consultation.Stand(Standing.FirstOrDefault()?.AnsweredAt, LastSigned, Now);

    /// <summary>The answers the last kit was made on, else the ones before the newest: what a change is told against.</summary>
    public StoredAnswers? ToldBefore =>
        Answers.Skip(1).FirstOrDefault(a => LastSigned is not { } signed || a.AnsweredAt <= signed) ?? Answers.Skip(1).FirstOrDefault();

    /// <summary>Kits that were applied and reported, newest first, each with what was prescribed.</summary>
    public IReadOnlyList<Reported> Reported { get; } =
    [
        .. from o in Outcomes
        from p in Prescriptions.Where(p => p.KitId == o.KitId)
        let prescribed = KitAtBench.AsWeighed(p)
        where prescribed.Quantity is not null
        select new Reported(p, prescribed, o),
    ];

    /// <summary>Whether an allergy is on record: for good, whatever is said later, unless it was corrected (SA1).</summary>
    public bool Reacted => Safety.Allergy is not null;
}

/// <summary>A kit that was applied and reported.</summary>
/// <param name="Signed">As it was signed.</param>
/// <param name="Prescribed">What was prescribed.</param>
/// <param name="Outcome">How it came out.</param>
public sealed record Reported(SignedPrescription Signed, Prescription Prescribed, OutcomeReport Outcome)
{
    private Reading? head;

    /// <summary>The head it was prescribed for.</summary>
    public Reading Head => head ??= CaseReader.Kept(Signed.CaseDocument).Reading;
}
