namespace Kitto.Core.Trade;

/// <summary>
/// The numbers of the trade, each once: by its rule, with its unit and where it comes from. Colour science has its own beside its formulas (Colour, Quantity/Use).
/// What a rule's sentence in the book says is filled in from here. Here: who and what; amounts, times and days are in Values.Kit.cs.
/// </summary>
public static partial class Values
{
    // Safety

    /// <summary>Youngest age: labels in the EU and UK say "not intended for use on persons below the age of 16" (from memory; check your local code).</summary>
    [Number("SA2", "years", Source.Published)]
    public const int YoungestAge = 16;

    /// <summary>Relaxing, perming or straightening within this many days stops a kit (SA9).</summary>
    [Number("SA9", "days")]
    public const int ChemicalServiceDays = 14;

    /// <summary>Full hours a skin test is watched.</summary>
    [Number("SA5", "h")]
    public const int SkinTestHours = 48;

    /// <summary>Minutes it is left on, unless the product says otherwise.</summary>
    [Number("SA5", "min")]
    public const int SkinTestOnMinutes = 45;

    /// <summary>A clear skin test counts from this many days.</summary>
    [Number("SA5", "days")]
    public const int SkinTestDays = SkinTestHours / 24;

    /// <summary>A clear skin test counts up to this many days.</summary>
    [Number("SA5", "days")]
    public const int SkinTestValidDays = 14;

    /// <summary>The house's "same line, nothing changed" school reaches back six months at most (SA5).</summary>
    [Number("SA5", "months")]
    public const int SkinTestMostMonths = 6;

    /// <summary>Colour for the skin test (quantity 4).</summary>
    [Number("SA5", "g", Source.Ours)]
    public const double SkinTestGrams = 1;

    /// <summary>Mix for the strand test (tables).</summary>
    [Number("SA12", "g", Source.Ours)]
    public const double StrandTestGrams = 3;

    /// <summary>Least minutes a strand is on before it can be called right, where she does not say (ours).</summary>
    [Number("SA12", "min", Source.Ours)]
    public const double StrandTestLeastMinutes = 5;

    /// <summary>No kit holds more than this (DV6, SA7, SA11).</summary>
    [Number("SA7", "vol")]
    public const double KitLimitVolume = 20;

    /// <summary>Answers hold for this many days before they must be confirmed again (ours).</summary>
    [Number("SA21", "days", Source.Ours)]
    public const int AnswersFreshDays = 30;

    // Reading the head

    /// <summary>Millimetres a month (RD5). Loussouarn et al. 2005 give 0.28 to 0.41 mm a day by population (from memory).</summary>
    [Number("RD5", "mm a month", Source.Published)]
    public const double GrowthMmPerMonth = 12.5;

    /// <summary>A read regrowth further than this from what growth says is queried (RD5).</summary>
    [Number("RD5", "share")]
    public const double GrowthTolerance = 0.4;

    /// <summary>Below this regrowth a kit is too early (RD12).</summary>
    [Number("RD12", "mm")]
    public const double EarlyMm = 8;

    /// <summary>The same for someone alone.</summary>
    [Number("RD12", "mm")]
    public const double EarlyAloneMm = 10;

    /// <summary>The back is longer where it has this many times the front's regrowth (ours).</summary>
    [Number("RD6", "times", Source.Ours)]
    public const double LongerBack = 1.5;

    /// <summary>The first stretch of the regrowth is warmed by the scalp, mm (TM6).</summary>
    [Number("TM6", "mm")]
    public const double ScalpStretchMm = 12;

    /// <summary>The ends are this long, mm.</summary>
    [Number("SV10", "mm", Source.Ours)]
    public const double EndsMm = 80;

    /// <summary>Under this white share there is no grey to cover (tables).</summary>
    [Number("DV3", "share", Source.Ours)]
    public const double NoGrey = 0.1;

    // Service

    /// <summary>Home colour works within this many levels of her own (SV3).</summary>
    [Number("SV3", "levels")]
    public const double HomeLevels = 2;

    /// <summary>Twenty volumes lift about this much; a red wished lighter than that needs pushing (SH12).</summary>
    [Number("SH12", "levels")]
    public const double PushedRedLevels = 1;

    /// <summary>Half a level is the least that is told apart (SV9, SV14).</summary>
    [Number("SV14", "levels")]
    public const double HalfLevel = 0.5;

    /// <summary>The most that lengths may have faded to be given their own level back without a wish of their own (SV14).</summary>
    [Number("SV14", "levels", Source.Ours)]
    public const double MostFaded = 1;

    /// <summary>A pulled-through mix is on the lengths for so long at most (SV9).</summary>
    [Number("SV9", "min")]
    public const double PulledMinutes = 10;

    /// <summary>On the ends so long at most: they were coloured before or are porous (SV10).</summary>
    [Number("SV10", "min")]
    public const double EndsMinutes = 5;

    /// <summary>A quick tone is on for so long at most (SV18).</summary>
    [Number("SV18", "min")]
    public const double QuickToneMinutes = 3;

    /// <summary>A gloss that is right somewhere is combed through there for so many minutes (SV17).</summary>
    [Number("SV17", "min")]
    public const double ThroughMinutes = 3;

    /// <summary>A shadow is feathered so far past the line at the hairline and the temples (SV5).</summary>
    [Number("SV5", "mm")]
    public const double TailFrontMm = 20;

    /// <summary>A shadow is feathered so far past the line at the fronts and the crown (SV5).</summary>
    [Number("SV5", "mm")]
    public const double TailSideMm = 35;

    /// <summary>A shadow is feathered so far past the line at the back and the nape (SV5).</summary>
    [Number("SV5", "mm")]
    public const double TailBackMm = 50;

    /// <summary>One mix serves two stretches where it comes this near to what each one's own would do, dE00 (SV17).</summary>
    [Number("SV17", "dE00", Source.Ours)]
    public const double OneMixServesDeltaE = 2;

    /// <summary>A quick tone is offered where the tone is off by less than this, dE00 (SV18).</summary>
    [Number("SV18", "dE00", Source.Ours)]
    public const double QuickToneBelowDeltaE = 4;

    /// <summary>White from this share up, and stubborn, takes two steps (SV19).</summary>
    [Number("SV19", "share")]
    public const double TwoStepsFrom = 0.75;

    // Shade

    /// <summary>Shades of one mix are at most so many levels apart (SH17).</summary>
    [Number("SH17", "levels")]
    public const double ShadesApart = 1;

    /// <summary>A wish with a family is made of it by at least so much (SH18).</summary>
    [Number("SH18", "share", Source.Ours)]
    public const double OfFamily = 1.0 / 3;

    /// <summary>The same where white hair asks for three quarters neutral (SH18).</summary>
    [Number("SH18", "share", Source.Ours)]
    public const double OfFamilyOnWhite = 0.25;

    /// <summary>Tones that the wish does not hold are together at most this (SH18).</summary>
    [Number("SH18", "share", Source.Ours)]
    public const double MostForeign = 1.0 / 3;

    /// <summary>A neutral wish is neutral by at least so much (SH18).</summary>
    [Number("SH18", "share", Source.Ours)]
    public const double OfNeutral = 0.5;

    /// <summary>A concentrate is at most this (SH20).</summary>
    [Number("SH20", "share")]
    public const double MostConcentrate = 0.10;

    /// <summary>The same up to level 4 (SH20).</summary>
    [Number("SH20", "share")]
    public const double MostConcentrateDeep = 0.15;

    /// <summary>How much red (copper where light) keeps an ash brown on white hair, and how much an opposite may be there (SH6, SH19).</summary>
    [Number("SH6", "share")]
    public const double RedAgainstAsh = 0.1;

    /// <summary>White share from which an ash shows its base (SH6).</summary>
    [Number("SH6", "share")]
    public const double AshShowsFrom = 0.25;

    /// <summary>This much extra cover does for three quarters neutral (SH5; the share is ours).</summary>
    [Number("SH5", "share", Source.Ours)]
    public const double ExtraCoverFor = 0.5;

    /// <summary>From this white share up extra cover has its place (SH4, SH5; ours).</summary>
    [Number("SH4", "share", Source.Ours)]
    public const double ExtraCoverFrom = 0.5;

    /// <summary>A mix has at most so many parts, concentrate and clear among them (SH21).</summary>
    [Number("SH21", "parts")]
    public const int MostParts = 3;

    /// <summary>Each part more has to bring the forecast nearer by more than this, dE00 (SH21).</summary>
    [Number("SH21", "dE00", Source.Ours)]
    public const double PartEarnsDeltaE = 1.5;

    /// <summary>Mixes of as many parts this near to one another do alike, dE00 (SH21).</summary>
    [Number("SH21", "dE00", Source.Ours)]
    public const double AlikeDeltaE = 0.5;

    /// <summary>From this dE00 on a best mix is another colour than the wish, and the colourist confirms it in so many words (SH16 to SH22).</summary>
    [Number("SH16", "dE00", Source.Ours)]
    public const double AnotherColourDeltaE = 6;

    /// <summary>The step by which a tone is corrected (OU2).</summary>
    [Number("OU2", "share")]
    public const double ToneStep = 0.1;

    // Developer

    /// <summary>Grey cover takes this strength (DV3).</summary>
    [Number("DV3", "vol")]
    public const double CoverVolume = 20;

    /// <summary>A demi on white hair takes this strength: it blends and does not cover (DV11).</summary>
    [Number("DV11", "vol")]
    public const double BlendVolume = 10;

    /// <summary>Lengths with a mix of their own take this strength, whatever the roots take (DV7).</summary>
    [Number("DV7", "vol")]
    public const double LengthsVolume = 10;

    /// <summary>Up to this strength a colour only deposits (DV2, SH16).</summary>
    [Number("DV2", "vol")]
    public const double DepositVolume = 10;

    /// <summary>Undiluted developer for resistant white (AP9, BE11).</summary>
    [Number("AP9", "g")]
    public const double PreSoftenGrams = 2.5;
}
