namespace Kitto.Core.Trade;

/// <summary>Amounts, times and days of a kit.</summary>
public static partial class Values
{
    // Amount

    /// <summary>A standard pack, grams mixed (DO4).</summary>
    [Number("DO4", "g")]
    public const double PackGrams = 120;

    /// <summary>However little hair it is for, a batch is reckoned at this much, grams: less cannot be mixed and painted (ours).</summary>
    [Number("DO6", "g", Source.Ours)]
    public const double LeastBaseGrams = 1;

    /// <summary>From this much a kit is split into main and reserve (DO10).</summary>
    [Number("DO10", "g")]
    public const double SplitFromGrams = 40;

    /// <summary>The main pair covers this quantile of use.</summary>
    [Number("DO10", "share", Source.Ours)]
    public const double MainQuantile = 0.60;

    /// <summary>What a colour sachet keeps, filled over on top (DO11; ours).</summary>
    [Number("DO11", "g", Source.Ours)]
    public const double CreamKeptGrams = 1.5;

    /// <summary>What a bottle of liquid keeps (DO11; ours).</summary>
    [Number("DO11", "g", Source.Ours)]
    public const double LiquidKeptGrams = 0.7;

    /// <summary>A part below this many steps of the scale is too small to weigh well (BE4).</summary>
    [Number("BE4", "steps")]
    public const double SmallestSteps = 10;

    /// <summary>The bowl of a usual kit, millilitres (ours).</summary>
    [Number("DO12", "ml", Source.Ours)]
    public const double BowlMl = 300;

    /// <summary>The nozzle bottle of a usual kit, millilitres (ours).</summary>
    [Number("DO12", "ml", Source.Ours)]
    public const double BottleMl = 240;

    /// <summary>A whole tube this little above the need is worth saying (quantity 4).</summary>
    [Number("BE10", "times", Source.Ours)]
    public const double TubeMargin = 1.10;

    /// <summary>Nobody mixes one pair in more goes than this (ours).</summary>
    [Number("DO12", "goes", Source.Ours)]
    public const int MostGoes = 3;

    /// <summary>Least share of kits that may be asked not to run out.</summary>
    [Number("DO2", "share", Source.Ours)]
    public const double LeastServiceLevel = 0.80;

    /// <summary>Greatest share of kits that may be asked not to run out.</summary>
    [Number("DO2", "share", Source.Ours)]
    public const double GreatestServiceLevel = 0.98;

    /// <summary>Share of kits that do not run out, where a house says nothing (quantity 4).</summary>
    [Number("DO2", "share", Source.Ours)]
    public const double UsualServiceLevel = 0.9;

    /// <summary>Step of the scale, where a house says nothing.</summary>
    [Number("BE4", "g", Source.Ours)]
    public const double UsualScaleStepGrams = 0.1;

    // Bench

    /// <summary>A filling so near its target is right, where the scale's step is finer (ours).</summary>
    [Number("BE2", "share", Source.Ours)]
    public const double FillingMargin = 0.01;

    /// <summary>A ratio that is further off than this goes back to the colourist (ours).</summary>
    [Number("BE3", "share", Source.Ours)]
    public const double RatioMargin = 0.01;

    /// <summary>What was poured and looks further off than this goes back to the colourist, dE00 (ours).</summary>
    [Number("BE3", "dE00", Source.Ours)]
    public const double PouredDeltaE = 2;

    // Timing

    /// <summary>A trained hand, medium density, whole head, thin partings, minutes (TM7).</summary>
    [Number("TM7", "min")]
    public const double TrainedMinutes = 10;

    /// <summary>Walking round the outline first costs this much more.</summary>
    [Number("TM7", "times", Source.Ours)]
    public const double OutlineFactor = 1.15;

    /// <summary>Hairline hair in a lift may stay this much longer than the standard time.</summary>
    [Number("TM5", "min", Source.Ours)]
    public const double HairlineLiftMinutes = 10;

    /// <summary>Painting must end this long before the mix expires, minutes.</summary>
    [Number("AP8", "min", Source.Ours)]
    public const double SpareMinutes = 3;

    /// <summary>Where the head is painted in two turns, the scalp stretch begins this long after the first stroke at the earliest, minutes (TM6).</summary>
    [Number("TM6", "min")]
    public const double ScalpAfterMinutes = 10;

    /// <summary>The second turn takes this much of the first: the partings are known and the stretch is short (ours).</summary>
    [Number("TM6", "times", Source.Ours)]
    public const double SecondTurn = 0.5;

    /// <summary>In a lifting service, regrowth longer than this is painted in two turns, mm (TM6).</summary>
    [Number("TM6", "mm")]
    public const double LiftInTwoMm = 25;

    /// <summary>In any permanent service, regrowth longer than this is virgin hair all over: mid-lengths first, then the roots, mm (TM6).</summary>
    [Number("TM6", "mm")]
    public const double AllOverMm = 60;

    /// <summary>Fewer minutes behind than this are not worth a word.</summary>
    [Number("TM8", "min", Source.Ours)]
    public const double BehindMinutes = 2;

    /// <summary>A run of which nothing was heard for so long is not on the head any longer, hours (ours; the longest contact of any line is 2).</summary>
    [Number("TM8", "h", Source.Ours)]
    public const double RunLapsesHours = 6;

    // Plan and next kit

    /// <summary>Colour day is this long before the wished day, so that it has settled (AF7).</summary>
    [Number("AF7", "days")]
    public const int SettleDays = 2;

    /// <summary>The strand test is reported this long before colour day.</summary>
    [Number("SA12", "days", Source.Ours)]
    public const int StrandTestDays = 1;

    /// <summary>The post takes so many calendar days at most (BE5).</summary>
    [Number("BE5", "days", Source.Ours)]
    public const int MostTransitDays = 14;

    /// <summary>Opaque cover wants doing again after so many weeks (SV11).</summary>
    [Number("SV11", "weeks")]
    public const int CoverWeeks = 4;

    /// <summary>Soft colour wants doing again after so many weeks at the earliest (SV11).</summary>
    [Number("SV11", "weeks")]
    public const int SoftWeeksFrom = 6;

    /// <summary>Soft colour wants doing again after so many weeks at the latest (SV11).</summary>
    [Number("SV11", "weeks")]
    public const int SoftWeeksTo = 10;

    /// <summary>Filled sachets keep this long, colour day included (house value).</summary>
    [Number("BE5", "days", Source.Ours)]
    public const int ShelfLifeDays = 21;

    /// <summary>A report is expected this many days after colour day (ours).</summary>
    [Number("AF6", "days", Source.Ours)]
    public const int ReportDays = 3;

    /// <summary>A box that should have been there this many days ago, with a guide nobody opened, is asked about (ours).</summary>
    [Number("AF6", "days", Source.Ours)]
    public const int BoxLateDays = 2;

    /// <summary>Days after the planned skin test at which its absence is spoken of (ours).</summary>
    [Number("AF6", "days", Source.Ours)]
    public const int OverdueDays = 2;

    /// <summary>What shows where the regrowth stands out from the lengths (clock).</summary>
    [Number("SV11", "mm")]
    public const double ShowsOnContrastMm = 12;

    /// <summary>What shows where it does not (clock).</summary>
    [Number("SV11", "mm")]
    public const double ShowsElseMm = 20;

    /// <summary>White from this share stands out (ours).</summary>
    [Number("SV11", "share", Source.Ours)]
    public const double WhiteStandsOut = 0.3;

    /// <summary>A difference of this many levels stands out (ours).</summary>
    [Number("SV11", "levels", Source.Ours)]
    public const double LevelsStandOut = 2;
}
