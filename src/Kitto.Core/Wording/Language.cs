using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Wording;

/// <summary>Words for everything that is said: each sentence once a language, its numbers only from the facts of what is said.</summary>
public abstract class Language
{
    /// <summary>English.</summary>
    public static Language English { get; } = new English();

    /// <summary>Every language that can be spoken.</summary>
    public static IReadOnlyList<Language> All { get; } = [English];

    /// <summary>Its tag, as BCP 47 has it.</summary>
    public abstract string Tag { get; }

    /// <summary>A saying in words.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The language has no words for it; a test looks that none is missing.</exception>
    public abstract string Says(Saying saying);

    /// <summary>A message to a client: a subject and a few sentences.</summary>
    /// <param name="kind">What.</param>
    /// <param name="name">The client's first name.</param>
    /// <param name="studio">The studio.</param>
    /// <param name="days">The days of the kit.</param>
    /// <param name="guide">The address of the guide; null: it stands on the paper in the box.</param>
    public abstract (string Subject, string Body) Message(ClientMessage kind, string name, string studio, KitDays days, string? guide = null);

    /// <summary>The numbers that a reason was reckoned from, with their names; null where its sentence holds them all.</summary>
    public abstract IReadOnlyList<Used>? Numbers(Reason reason);

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
