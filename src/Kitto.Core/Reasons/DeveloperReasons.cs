namespace Kitto.Core.Reasons;

/// <summary>What a strength is for.</summary>
internal enum StrengthFor
{
    LightenedRoots,
    Gloss,
    DemiOnLengths,
    DemiBlends,
    DemiDeposits,
    LightensUpToTwo,
    LiftInTheChair,
    LengthsOwnMix,
    HighLiftOnFine,
    HighLift,
    LiftWithoutHighLift,
    Cover,
    Lift,
    Deposit,
}

/// <summary>Why a strength is what it is.</summary>
internal abstract record DeveloperReason(string Rule, Topic About) : Reason(Rule, About);

internal sealed record StrengthChosen(string By, Volume Volume, StrengthFor For, Share White, Level Hair, Level Wish, double Lift)
    : DeveloperReason(By, Topic.Developer);

internal sealed record StrengthBlended(Volume Asked, Volume One, Volume Other) : DeveloperReason("DV8", Topic.Developer);

internal sealed record StrengthNotStocked(Volume Asked, Volume Instead) : DeveloperReason("DV8", Topic.Developer);

internal sealed record WeakerThanAsked(string By, Volume Used, Volume Wanted) : DeveloperReason(By, Topic.Attention);

internal sealed record StrongerThanAsked(Volume Used, Volume Wanted) : DeveloperReason("DV2", Topic.Attention);

/// <summary>The mix as poured: its ratio, grams, and the peroxide once mixed in percent.</summary>
internal sealed record MixedAt(FormulaUse Use, string Ratio, Grams Colour, Grams Developer, Volume Volume, double PercentMixed)
    : DeveloperReason("DV9", Topic.Developer);
