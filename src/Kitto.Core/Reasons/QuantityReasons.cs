using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Reasons;

/// <summary>Why so much. Masses in grams, lengths in millimetres or centimetres as named.</summary>
internal abstract record QuantityReason(string Rule, Topic About) : Reason(Rule, About);

internal sealed record GlossInBottles(Minutes WorkingLife, int Bottles) : QuantityReason("AP8", Topic.Lengths);

internal sealed record LengthsAreDamp() : QuantityReason("DO7", Topic.Quantity);

/// <summary>Whole tubes: how many, of what size, and by how much they are above what is needed.</summary>
internal sealed record WholeTubes(int Tubes, double TubeGrams, double AboveShare, Grams Needed, bool Sent) : QuantityReason("BE10", Topic.Quantity);

internal sealed record NoWholeTubes() : QuantityReason("BE10", Topic.Quantity);

internal sealed record MixedInGoes(string Pair, Grams Mix, Thickness Thickness, Grams Holds, int Goes) : QuantityReason("DO12", Topic.Bench);

internal sealed record TooMuchForVessel(string Pair, Grams Mix, Thickness Thickness, Grams Holds) : QuantityReason("DO12", Topic.Attention);

internal sealed record OneBlend(IReadOnlyList<Portioned> Weigh, IReadOnlyList<Portioned> Takes, Grams Over) : QuantityReason("BE4", Topic.Bench);

internal sealed record HandsLearned(UsedBefore Last, int Reports, HandFactor Belief) : QuantityReason("DO8", Topic.Quantity);

internal sealed record HandsUnknown(Who Who, HandFactor Belief) : QuantityReason("DO2", Topic.Quantity);

/// <summary>Which hair a formula goes on.</summary>
internal enum GoesOn
{
    RegrowthWithTail,
    RegrowthAndLengths,
    Regrowth,
    Lengths,
    Band,
}

internal sealed record TrainedHandTakes(
    string By,
    FormulaUse Use,
    GoesOn On,
    double RegrowthCm,
    double MeanCm,
    Grams Takes,
    double HairsPerCm2,
    double HairGrams
) : QuantityReason(By, Topic.Quantity);

internal sealed record AllOverInPacks(double Packs) : QuantityReason("DO4", Topic.Quantity);

internal sealed record FrontOnly() : QuantityReason("DO5", Topic.Quantity);

/// <summary>What is sent, or mixed in the chair; the use is named where there are several formulas.</summary>
internal sealed record SentSoMuch(
    Grams Mix,
    FormulaUse? Use,
    double EnoughShare,
    bool ByCosts,
    double OnVesselGrams,
    Thickness Thickness,
    bool Kit,
    Grams Trained,
    double TimesTrained
) : QuantityReason("DO2", Topic.Quantity);

internal sealed record SealedInReserve(Grams Main, Grams Reserve, FormulaUse? Use) : QuantityReason("DO10", Topic.Quantity);
