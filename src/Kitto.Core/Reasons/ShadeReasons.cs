using Kitto.Core.Colour;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Reasons;

/// <summary>Why a mix is what it is. Levels in levels, shares 0 to 1, differences in dE00.</summary>
internal abstract record ShadeReason(string Rule, Topic About) : Reason(Rule, About);

/// <summary>What of a mix a colourist would not sign.</summary>
internal abstract record Broken(string Rule) : ShadeReason(Rule, Topic.Attention)
{
    /// <summary>The line that has nothing better in stock; null where the mix was given or repeated.</summary>
    public string? NothingBetterIn { get; init; }
}

internal sealed record TooDeepForLengths() : Broken("SV14");

internal sealed record ComesOutGreen(double A) : Broken("SH22");

internal sealed record OppositesInOneBowl() : Broken("SH19");

internal sealed record TooManyParts(int Parts) : Broken("SH21");

internal sealed record NoDepthInMix() : Broken("SH21");

internal sealed record TooMuchConcentrate(double MostShare, double Share) : Broken("SH20");

internal sealed record ShadesFarApart(int Levels) : Broken("SH17");

internal sealed record AshOnWhite(double WarmShare) : Broken("SH6");

internal sealed record TooLittleNeutral(Share White, double NeededShare, double Share) : Broken("SH5");

internal sealed record NotNeutralEnough(double Share) : Broken("SH18");

internal sealed record TooLittleOfFamily(Tone Wish, double Share) : Broken("SH18");

internal sealed record OffLevel(double MeanLevel, Level Wish) : Broken("SH16");

internal sealed record ExtraCoverForNothing() : Broken("SH4");

internal sealed record OtherAshStandsIn(string Line, Tone Wish, Level Level) : ShadeReason("SH18", Topic.Attention);

internal sealed record FamilyMissing(string Line, Tone Wish, Level Level, bool Concentrate) : ShadeReason("SH18", Topic.Attention);

internal sealed record ClearAlone(Topic Of) : ShadeReason("SH24", Of);

internal sealed record RootsMatchLengths(Topic Of, Level Level, Tone Tone) : ShadeReason("SH1", Of);

internal sealed record MixGoesFor(Topic Of, Level Level, Tone Tone) : ShadeReason("SH1", Of);

internal sealed record TonedAtLevel(Topic Of, bool Band, Level Level, Tone Tone) : ShadeReason("SH8", Of);

internal sealed record SimplestMix(Topic Of, IReadOnlyList<MixPart> Parts, string Line, double DeltaE) : ShadeReason("SH21", Of);

internal sealed record LiftsNatural(Topic Of, Volume Developer, double Levels, Undertone Bare) : ShadeReason("SH2", Of);

internal sealed record NotLiftedThatFar(double NaturalLevel, double Levels, Level Wish) : ShadeReason("SH2", Topic.Attention);

internal sealed record PaleHardlyTones(Topic Of) : ShadeReason("SV6", Of);

internal sealed record NeutralForWhite(Topic Of, Share White, double NeededShare, double Share, bool ExtraCover) : ShadeReason("SH5", Of);

internal sealed record KnocksWhiteBack(Topic Of, int Level) : ShadeReason("SH13", Of);

internal sealed record AshKeptBrown(Topic Of, double WarmShare) : ShadeReason("SH6", Of);

internal sealed record MixForecastIs(Topic Of, double DeltaE, double WhiteFromPigmented, int Parts) : ShadeReason("SA12", Of);

internal sealed record TailForecastIs(Topic Of, double DeltaE, Stretch On, double Weight) : ShadeReason("SV5", Of);

internal sealed record TakesDown(Topic Of, Share Share, string Shade, Family Family) : ShadeReason("SH3", Of);

internal sealed record LevelBetween(Topic Of, double Level) : ShadeReason("SH7", Of);

internal sealed record LightenerIsWatched(Topic Of) : ShadeReason("SA8", Of);

internal sealed record LastTimeOutOfStock(Topic Of, string Shade) : ShadeReason("SH1", Of);

internal sealed record DilutedWithClear(Topic Of) : ShadeReason("SH10", Of);

internal sealed record FormulaGiven(Topic Of, bool HandMade) : ShadeReason("SH1", Of);

internal sealed record FormulaUnused(FormulaUse Use) : ShadeReason("SH1", Topic.Shade);

internal sealed record MovedByReports(int Reports, int Seen, Lab By) : ShadeReason("OU1", Topic.Shade);

internal sealed record PulledTooDeep() : ShadeReason("SV14", Topic.Attention);

/// <summary>How another mix differs from the chosen one: parts more (or fewer), and how much nearer to the wish, dE00.</summary>
internal sealed record BesideTheChosen(int MoreParts, double Nearer) : Saying;

/// <summary>What a colourist says yes to: a formula that comes out plainly another colour.</summary>
internal sealed record PlainlyAnother(FormulaUse Use, double DeltaE) : Saying;

/// <summary>What a colourist says yes to: a fact that nobody said, by its path, and what would move most.</summary>
internal sealed record TakenFor(string Path, double GramsShare, double DeltaE, bool ByGrams) : Saying;
