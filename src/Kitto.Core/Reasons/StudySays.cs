using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Learning;
using Kitto.Core.Quantity;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Reasons;

/// <summary>Where on the sheet of a head to learn on something stands.</summary>
public enum SheetPart
{
    /// <summary>What is wished for, and what was agreed.</summary>
    Wish,

    /// <summary>What the client answers when asked.</summary>
    Answers,

    /// <summary>What the record says of earlier kits and tests.</summary>
    Before,

    /// <summary>What fingers feel.</summary>
    Touch,
}

/// <summary>Something a colourist is told, or feels, of a head to learn on.</summary>
/// <param name="On">Where it stands.</param>
public abstract record StudySays(SheetPart On) : Saying
{
    /// <summary>The rule by which this alone keeps a head from colour; null where it does not.</summary>
    public virtual string? Stops => null;
}

internal sealed record WishTold(Service Service, bool Band) : StudySays(SheetPart.Wish);

internal sealed record WishAgreed(Level Level, Tone Tone, bool Lengths) : StudySays(SheetPart.Wish);

internal sealed record LengthsClearAgreed() : StudySays(SheetPart.Wish);

internal sealed record AgeTold(int Years) : StudySays(SheetPart.Answers)
{
    public override string? Stops => Years < Values.YoungestAge ? "SA2" : null;
}

internal sealed record StopTold(ToldStop Stop) : StudySays(SheetPart.Answers)
{
    public override string? Stops => Stop == ToldStop.LockReacted ? "SA4" : "SA1";
}

internal sealed record ScalpTold(Scalp Scalp) : StudySays(SheetPart.Answers)
{
    public override string? Stops => Scalp is Scalp.Sound or Scalp.Sensitive ? null : "SA3";
}

internal sealed record ConditionTold(string Condition) : StudySays(SheetPart.Answers)
{
    public override string? Stops => Conditions.Rule(Condition) is "SA3" or "SA9" ? Conditions.Rule(Condition) : null;
}

internal sealed record HistoryTold(LengthHistory History) : StudySays(SheetPart.Answers)
{
    public override string? Stops => History is LengthHistory.Henna or LengthHistory.Metallic ? "SA4" : null;
}

internal sealed record StraightenedTold(int DaysAgo) : StudySays(SheetPart.Answers)
{
    public override string? Stops => DaysAgo <= Values.ChemicalServiceDays ? "SA9" : null;
}

internal sealed record MedicineTold() : StudySays(SheetPart.Answers);

internal sealed record PregnancyTold() : StudySays(SheetPart.Answers);

/// <summary>Something that sounds like a reason to stop and is none.</summary>
internal sealed record HarmlessTold(int Which) : StudySays(SheetPart.Answers);

internal sealed record FirstKitTold(bool First) : StudySays(SheetPart.Before);

internal sealed record LastColourTold(int DaysAgo) : StudySays(SheetPart.Before);

internal sealed record HandsTold(Who Who, bool Practised) : StudySays(SheetPart.Before);

internal sealed record UsedTold(Grams Sent, Grams Left, bool RanOut, int DaysAgo) : StudySays(SheetPart.Before);

internal sealed record LastFormulaTold(IReadOnlyList<MixPart> Parts, Volume? Developer, bool AllRight) : StudySays(SheetPart.Before);

internal sealed record SkinTestTold(int? DaysAgo, SkinResult Result) : StudySays(SheetPart.Before)
{
    public override string? Stops => DaysAgo is not null && Result == SkinResult.Reacted ? "SA1" : null;
}

internal sealed record StrandTestTold(StrandResult Result) : StudySays(SheetPart.Before)
{
    public override string? Stops => Result == StrandResult.Damaged ? "SA6" : null;
}

internal sealed record LengthsNoted(Level Level, Tone Tone, bool Highlighted) : StudySays(SheetPart.Before);

internal sealed record HairFelt(Texture Texture, Density Density, Porosity Porosity, double LengthCm) : StudySays(SheetPart.Touch);

internal sealed record WhiteFelt(IReadOnlyList<Zone> Zones) : StudySays(SheetPart.Touch);

/// <summary>What a prescription that was tried out would do; the words of a judgement.</summary>
/// <param name="Rule">Id of the rule it is told by.</param>
/// <param name="Topic">Which choice it is about.</param>
internal abstract record TrialSays(string Rule, Topic Topic) : Reason(Rule, Topic);

/// <summary>Who must not be coloured would have been; the stop says why.</summary>
internal sealed record StopOverlooked(string By, bool InTheChair) : TrialSays(By, Topic.Stop);

/// <summary>A kit would have gone out for what only the salon should do.</summary>
internal sealed record SalonOverlooked(string By) : TrialSays(By, Topic.Salon);

/// <summary>Refused, or called into the salon, without need.</summary>
internal sealed record TooCareful(string By, Decision Needed) : TrialSays(By, Topic.Decision);

/// <summary>Mixed so strong, or of such a line, that it may not leave the chair.</summary>
internal sealed record NotForAKit(string By) : TrialSays(By, Topic.Salon);

internal sealed record TestLeftOut(string By) : TrialSays(By, Topic.Tests);

/// <summary>How far the hair comes out from the wish, and how far it needs to; and which choice did most of it, taking how much away when put right.</summary>
internal sealed record ColourMisses(string By, Topic Blames, bool OnLengths, double DeltaE, double BestDeltaE, double RightedDeltaE) : TrialSays(By, Blames);

internal sealed record ComesOutGreenHere(string By, double A) : TrialSays(By, Topic.Shade);

/// <summary>White that would not be covered.</summary>
internal sealed record WhiteStays(string By, Topic Of, Share White) : TrialSays(By, Of);

internal sealed record TooStrongForLine(string By, Volume Volume, string Line) : TrialSays(By, Topic.Developer);

/// <summary>Lift that nobody wished for, levels beyond what the house's own strength lifts.</summary>
internal sealed record UnwishedLift(string By, double Levels) : TrialSays(By, Topic.Developer);

internal sealed record WouldRunOut(string By, Share RunsOut, Grams Sent, Grams Needed) : TrialSays(By, Topic.Quantity);

internal sealed record MuchLeft(string By, Grams Left, Grams Needed) : TrialSays(By, Topic.Quantity);

internal sealed record ContactMissed(string By, Zone Zone, Minutes Contact, double MissMinutes) : TrialSays(By, Topic.Clock);

/// <summary>Nothing a colourist would put right.</summary>
internal sealed record NothingMissed(Decision Decision) : Saying;

internal sealed record LevelAsked() : Saying;

internal sealed record LevelIs(int Level) : Saying;

internal sealed record OppositeAsked(int Level, Undertone Undertone) : Saying;

internal sealed record OppositeIs(Family Family, Undertone Undertone) : Saying;

internal sealed record DeveloperAsked(Level Natural, Texture Texture, Share White, Level Wish, bool HighLift) : Saying;

internal sealed record GramsAsked(Millimetres Regrowth, Texture Texture, Density Density, Who Who, bool Practised, string Ratio) : Saying;

internal sealed record OrderAsked(Level Wish, bool Lift) : Saying;

internal sealed record PlanAsked(DateOnly Today, DateOnly WantBy, IReadOnlyList<DayOfWeek> PostDays, int TransitDays) : Saying;
