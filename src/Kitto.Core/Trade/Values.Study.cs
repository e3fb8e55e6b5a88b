namespace Kitto.Core.Trade;

/// <summary>Heads to learn on: what counts as right. All ours; none of them reaches into a real prescription.</summary>
public static partial class Values
{
    /// <summary>A difference under this is not seen on hair, dE00: so much further than the house's own mix is as good.</summary>
    [Number("SH21", "dE00")]
    public const double TrialSeenDeltaE = 2;

    /// <summary>Under this share of white a soft colour does as well as a permanent one (SV7).</summary>
    [Number("SV7", "share")]
    public const double TrialBlendBelow = 0.3;

    /// <summary>A strength is another one from so much on, volumes.</summary>
    [Number("DV8", "vol", Source.Ours)]
    public const double TrialVolumesOff = 3;

    /// <summary>A kit may run out so much oftener than the house allows before it counts, share.</summary>
    [Number("DO1", "share", Source.Ours)]
    public const double TrialRunsOutMore = 0.1;

    /// <summary>So much more may be left over than of the house's own kit before it counts, grams.</summary>
    [Number("DO1", "g", Source.Ours)]
    public const double TrialLeftMoreGrams = 15;

    /// <summary>So much outside its window a zone may be beyond what the house's own clock misses, minutes.</summary>
    [Number("TM1", "min", Source.Ours)]
    public const double TrialContactMinutes = 2;

    /// <summary>A level is read right within this.</summary>
    [Number("RD1", "levels", Source.Ours)]
    public const double TrialLevelWithin = 0.5;

    /// <summary>White is read right within this, share.</summary>
    [Number("RD3", "share", Source.Ours)]
    public const double TrialWhiteWithin = 0.15;

    /// <summary>Regrowth is read right within this, millimetres.</summary>
    [Number("RD2", "mm", Source.Ours)]
    public const double TrialRegrowthWithinMm = 3;

    /// <summary>Points that a wrong decision costs where nobody is hurt by it.</summary>
    [Number("SV3", "points", Source.Ours)]
    public const double TrialWrongDecisionLoss = 60;

    /// <summary>Points that each dE00 costs which can be seen.</summary>
    [Number("SH21", "points", Source.Ours)]
    public const double TrialLossPerDeltaE = 10;

    /// <summary>Points that each minute outside its window costs.</summary>
    [Number("TM1", "points", Source.Ours)]
    public const double TrialLossPerMinute = 3;
}
