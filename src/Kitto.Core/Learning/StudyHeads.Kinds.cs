using Kitto.Core.Contract;
using Kitto.Core.Head;
using static Kitto.Core.Contract.CaseFields;

namespace Kitto.Core.Learning;

/// <summary>What makes a plain head one of its kind.</summary>
public static partial class StudyHeads
{
    /// <summary>A brassy stretch past the line, to be kept out of a touch-up, or toned by itself.</summary>
    private static void Band(CaseDocument c, Lots lots, int natural)
    {
        c.Set(BandLengthMm, lots.Between(3, 7) * 5).Set(BandLevel, natural + 1).Set(BandTone, lots.Of("G", "C"));
        if (natural >= 5 && lots.OneIn(2))
        {
            c.Set(GoalService, Service.Gloss);
        }
    }

    /// <summary>Roots back to their own level under bright lengths that must not go deeper, or the lengths toned.</summary>
    private static void Lightened(CaseDocument c, Lots lots, int natural)
    {
        int level = lots.Between(8, 9);
        bool gloss = lots.OneIn(2);
        Lengths(c, level, gloss ? "G" : "B", LengthHistory.Lightened, highlighted: true);
        if (gloss)
        {
            Wish(c, Service.Gloss, level, lots.Of("B", "V", "N"));
        }
        else
        {
            Wish(c, Service.RootTouchUp, natural, "N");
        }
    }

    private static void Lift(CaseDocument c, int natural)
    {
        Lengths(c, natural + 2, "G", LengthHistory.Lightened, highlighted: true);
        Wish(c, Service.BaseLift, natural + 2, "N");
    }

    /// <summary>Earlier kits that ran out, so that these hands are known to use more.</summary>
    private static void RunsOut(CaseDocument c, Lots lots) =>
        c.Set(ClientFirstKit, false)
            .Set(HandsPractised, true)
            .Set(
                HandsHistory,
                Enumerable
                    .Range(1, lots.Between(2, 3))
                    .Select(i =>
                    {
                        int reckoned = lots.Between(30, 45);
                        return CaseDocument
                            .EntryOf(HandsHistory)
                            .Set(UsedBaseGrams, reckoned)
                            .Set(UsedSentGrams, Math.Round(reckoned * 1.3) + 4)
                            .Set(UsedResidueGrams, 4)
                            .Set(UsedRanOut, true)
                            .Set(UsedDaysAgo, i * 40);
                    })
            );

    private static void Salon(CaseDocument c, Lots lots, int natural)
    {
        switch (lots.Between(1, 4))
        {
            case 1:
                // Three levels and more on natural hair.
                c.Set(GoalLevel, natural + 3).Set(GoalTone, "N");
                break;
            case 2:
                // Coloured lengths that shall come out lighter.
                c.Set(GoalService, Service.RootAndGloss).Set(GoalLengthsLevel, natural + 2).Set(GoalLengthsTone, "N");
                break;
            case 3:
                c.Set(GoalService, Service.Lighten).Set(GoalLevel, natural + 2);
                break;
            default:
                // Still warm lengths that shall be pale.
                Lengths(c, 7, "C", LengthHistory.Lightened);
                Wish(c, Service.Gloss, 9, "B");
                break;
        }
    }
}
