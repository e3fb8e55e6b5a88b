using System.Reflection;
using Kitto.Core.Rules;

namespace Kitto.Core.Trade;

#pragma warning disable CS1591 // the ways are said in the book
// A school is a rule on which practitioners disagree: one enum here, its ways in the order of the book, the default first.
// Each way is said in words in the book.
// A new one: its rule with options in Rules/book.json, its enum here, and House.Way<T>() where it decides.

/// <summary>How long a clear skin test counts (SA5).</summary>
[School("SA5")]
public enum SkinTesting
{
    EveryKit,
    SameLineMonths,
}

/// <summary>What is done about white hair (SV7).</summary>
[School("SV7")]
public enum WhiteHair
{
    ByShare,
    Cover,
    Blend,
}

/// <summary>What lengths get that faded (SV9).</summary>
[School("SV9")]
public enum FadedLengths
{
    ByHead,
    LeaveAlone,
    SameMix,
    Diluted,
    OwnFormula,
}

/// <summary>What a gloss is mixed of (DV5).</summary>
[School("DV5")]
public enum Toning
{
    Gloss,
    PermanentLow,
}

/// <summary>How a kit is split (DO10).</summary>
[School("DO10")]
public enum Splitting
{
    MainAndReserve,
    OnePair,
}

/// <summary>How colour is sent (BE10).</summary>
[School("BE10")]
public enum Filling
{
    Sachets,
    WholeTube,
}

/// <summary>How hair is washed beforehand (AP2).</summary>
[School("AP2")]
public enum Washing
{
    ByService,
    Unwashed,
    WashedDayBefore,
}

/// <summary>What lengths are shielded with (AP4).</summary>
[School("AP4")]
public enum Shielding
{
    ShieldLengths,
    Nothing,
}

/// <summary>How long stubborn white is softened (AP9).</summary>
[School("AP9")]
public enum PreSoftening
{
    Short,
    Long,
}

/// <summary>Which face of a parting is painted first (AP10).</summary>
[School("AP10")]
public enum PartingFace
{
    TopFirst,
    UndersideFirst,
}

/// <summary>Whether permanent colour is combed (AP12).</summary>
[School("AP12")]
public enum Combing
{
    No,
    RootOnly,
    Through,
}

/// <summary>When the hairline is painted (AP19).</summary>
[School("AP19")]
public enum Hairline
{
    ByReason,
    First,
    Last,
}

/// <summary>When the timer starts (TM2).</summary>
[School("TM2")]
public enum TimerStart
{
    LastStroke,
    FirstStroke,
}

/// <summary>Where painting starts (TM5).</summary>
[School("TM5")]
public enum StartingPlace
{
    ByDepth,
    BackFirst,
    NeverFrontWhenLifting,
}

/// <summary>What a root shadow is mixed of (TM10).</summary>
[School("TM10")]
public enum ShadowColour
{
    Demi,
    Permanent,
}

/// <summary>How warm the last rinse is (AF2).</summary>
[School("AF2")]
public enum RinseWater
{
    Lukewarm,
    CoolLast,
}

/// <summary>What a tinted shampoo is for (AF5).</summary>
[School("AF5")]
public enum TintedShampoo
{
    Upkeep,
    Toner,
}

#pragma warning restore CS1591

/// <summary>Marks the enum of a school with its rule.</summary>
/// <param name="rule">Id of the rule.</param>
[AttributeUsage(AttributeTargets.Enum)]
public sealed class SchoolAttribute(string rule) : Attribute
{
    /// <summary>Id of the rule.</summary>
    public string Rule { get; } = rule;
}

/// <summary>The schools of the book by rule, as documents name their ways.</summary>
public static class Schools
{
    /// <summary>Names of the ways by rule id, the default first.</summary>
    public static IReadOnlyDictionary<string, IReadOnlyList<string>> Options { get; } =
        RuleBook.All.Where(r => r.Options is not null).ToDictionary(r => r.Id, r => (IReadOnlyList<string>)[.. r.Options!.Select(o => o.Name)]);

    /// <summary>The way a house goes for a client: hers, else the house's, else the default.</summary>
    /// <typeparam name="T">The school.</typeparam>
    public static T Way<T>(this House house)
        where T : struct, Enum => Of<T>.ByName[house.School(Of<T>.Rule)];

    private static class Of<T>
        where T : struct, Enum
    {
        public static readonly string Rule =
            typeof(T).GetCustomAttribute<SchoolAttribute>()?.Rule ?? throw new InvalidOperationException($"{typeof(T).Name} is no school.");
        public static readonly Dictionary<string, T> ByName = Enum.GetValues<T>().ToDictionary(Contract.Json.Name);
    }
}
