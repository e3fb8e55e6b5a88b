using System.Globalization;
using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Packing;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Wording;

/// <summary>Words for everything that is said: each sentence once a language, its numbers only from the facts of what is said.</summary>
public abstract class Language
{
    /// <summary>English.</summary>
    public static Language English { get; } = new English();

    /// <summary>Norwegian Bokmål: what a client reads. What only the studio reads is said in English.</summary>
    public static Language Norwegian { get; } = new Norwegian();

    /// <summary>Every language that can be spoken.</summary>
    public static IReadOnlyList<Language> All { get; } = [English, Norwegian];

    /// <summary>The language of a tag; English where there is none of that tag.</summary>
    /// <param name="tag">BCP 47, such as nb.</param>
    public static Language Of(string? tag) => All.FirstOrDefault(l => l.Tag == tag) ?? English;

    /// <summary>Its tag, as BCP 47 has it.</summary>
    public abstract string Tag { get; }

    /// <summary>What it calls itself.</summary>
    public abstract string Name { get; }

    /// <summary>A number with so many decimals at most.</summary>
    /// <param name="value">The number.</param>
    /// <param name="decimals">Decimals at most, 0 to 6; noughts at the end are left out.</param>
    public virtual string Number(double value, int decimals = 1) =>
        Math.Round(value, decimals).ToString(decimals == 0 ? "0" : "0." + new string('#', decimals), CultureInfo.InvariantCulture);

    /// <summary>A day with its weekday, or without.</summary>
    public abstract string Day(DateOnly day, bool weekday = true);

    /// <summary>A moment with its day.</summary>
    /// <param name="local">On the clock it is to be said by.</param>
    public string Moment(DateTime local) => $"{Day(new DateOnly(local.Year, local.Month, local.Day))}, {local.ToString("HH:mm", CultureInfo.InvariantCulture)}";

    /// <summary>Months by name, January first.</summary>
    public abstract IReadOnlyList<string> Months { get; }

    /// <summary>A day as it is remembered: the year, the month, or the day of it.</summary>
    public string When(RoughDate when) =>
        when switch
        {
            { Month: { } month, Day: { } day } => $"{Day(new DateOnly(when.Year, month, day), weekday: false)} {when.Year}",
            { Month: { } month } => $"{Months[month - 1]} {when.Year}",
            _ => $"{when.Year}",
        };

    /// <summary>A question of the consultation, as the client is asked.</summary>
    /// <param name="question">Its id.</param>
    public abstract string Ask(string question);

    /// <summary>An answer in words.</summary>
    /// <param name="question">Its id.</param>
    /// <param name="c">The answers.</param>
    public abstract string Answer(string question, Consultation c);

    /// <summary>What is ticked under a question, behind what else was said to it; empty where nothing is.</summary>
    protected string Ticked(string question, Consultation c, string? first)
    {
        var said = Question.All.First(q => q.Id == question).Ticks.Where(c.Conditions.Contains).Select(Condition);
        return string.Join(", ", first is null ? said : said.Prepend(first));
    }

    /// <summary>A condition as the client is asked for it.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none of the known ones.</exception>
    public abstract string Tick(string condition);

    /// <summary>Something that was put on the hair, as a client calls it.</summary>
    public abstract string Term(Treatment what);

    /// <summary>How a scalp is, as a client says it.</summary>
    public abstract string Term(Scalp scalp);

    /// <summary>How a strand came out, as a client says it.</summary>
    public abstract string Term(StrandResult result);

    /// <summary>A saying in words.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The language has no words for it; a test looks that none is missing.</exception>
    public abstract string Says(Saying saying);

    /// <summary>A saying in a client's words: what the studio reads is never sent to a client.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The language has no words for it.</exception>
    public virtual string ToClient(Saying saying) => Says(saying);

    /// <summary>A message to a client: a subject and a few sentences.</summary>
    /// <param name="kind">What.</param>
    /// <param name="name">The client's first name.</param>
    /// <param name="studio">The studio.</param>
    /// <param name="days">The days of the kit.</param>
    /// <param name="guide">The address of the guide; null: it is on the leaflet in the box.</param>
    /// <param name="ambulance">The local emergency number.</param>
    /// <param name="phone">The studio's phone number; empty: none is known.</param>
    public abstract (string Subject, string Body) Message(
        ClientMessage kind,
        string name,
        string studio,
        KitDays days,
        string? guide,
        string ambulance,
        string phone
    );

    /// <summary>The numbers that a reason was reckoned from, with their names; null where its sentence holds them all.</summary>
    public abstract IReadOnlyList<Used>? Numbers(Reason reason);

    /// <summary>What stands on every container for the client, beside name, part, grams, shade, lot and days (safety, labels).</summary>
    /// <param name="name">Whose it is.</param>
    public abstract string Label(string name);

    /// <summary>What stands on one label, line by line, its name first (safety, Label and paper).</summary>
    public abstract IReadOnlyList<string> Label(LabelFacts facts);

    /// <summary>What the paper in the box says beside the code of the guide.</summary>
    /// <param name="name">The client's first name.</param>
    public abstract string Paper(string name);

    /// <summary>A sachet, a bottle or a bowl of the bench, as its label calls it.</summary>
    public abstract string Names(Vessel vessel);

    /// <summary>A zone.</summary>
    public abstract string Term(Zone zone);

    /// <summary>Zones in a row: "left temple, right temple and crown".</summary>
    public abstract string Terms(IEnumerable<Zone> zones);

    /// <summary>An order of painting.</summary>
    public abstract string Term(PaintOrder order);

    /// <summary>A stretch of the strand.</summary>
    public abstract string Term(Stretch stretch);

    /// <summary>What is done to a stretch, in a word or two.</summary>
    public abstract string Term(Does does);

    /// <summary>A family of shades (SH4).</summary>
    public abstract string Term(Family family);

    /// <summary>The warmth that lifting lays bare (SH2).</summary>
    public abstract string Term(Undertone undertone);

    /// <summary>What a formula is called.</summary>
    public abstract string Use(FormulaUse use);

    /// <summary>A condition on record; its own words where it is none of the known ones.</summary>
    public abstract string Condition(string name);

    /// <summary>How a difference is seen.</summary>
    /// <param name="deltaE">dE00, 0 and above.</param>
    public abstract string HowFar(double deltaE);

    /// <summary>A reason as it is written down.</summary>
    public Because Because(Reason reason) => new(reason.Rule, Says(reason), reason.About, Numbers(reason));

    /// <summary>Reasons as they are written down.</summary>
    public IReadOnlyList<Because> Because(IEnumerable<Reason> reasons) => [.. reasons.Select(Because)];
}
