using System.Text.Json.Nodes;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Trade;
using static Kitto.Core.Contract.CaseFields;

namespace Kitto.Core.Learning;

/// <summary>Heads drawn from a seed, within the lines and rules of a house. Everything in them is invented.</summary>
public static partial class StudyHeads
{
    /// <summary>How often a kind is drawn anew before it is given up: the shelf has not what it takes.</summary>
    private const int Tries = 60;

    /// <summary>A draw is thrown away where even the best mix is further from the wish than this, dE00: nothing is learned from it.</summary>
    private const double FarDeltaE = 4;

    /// <summary>The kinds that are drawn: all but those of the past.</summary>
    public static IReadOnlyList<StudyKind> Drawn { get; } = [.. Enum.GetValues<StudyKind>().Where(k => k != StudyKind.Past)];

    /// <summary>The kind of one head in a row of heads: every kind comes once before any comes twice, in an order nobody can know.</summary>
    /// <param name="seed">The row.</param>
    /// <param name="at">Which of it, from 0.</param>
    public static StudyKind KindAt(long seed, int at) => new Lots(seed ^ (at / Drawn.Count * 7919L)).Shuffled(Drawn)[at % Drawn.Count];

    /// <summary>One head in a row of heads.</summary>
    /// <param name="seed">The row.</param>
    /// <param name="at">Which of it, from 0.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <param name="house">The house, as a case has it; null: as it comes.</param>
    public static StudyHead? At(long seed, int at, Shelf shelf, JsonObject? house = null) => Of(seed + 1 + at, KindAt(seed, at), shelf, house);

    /// <summary>A head of a kind.</summary>
    /// <param name="seed">The same seed, shelf and house draw the same head.</param>
    /// <param name="kind">Any but one of the past.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <param name="house">The house, as a case has it; null: as it comes.</param>
    /// <returns>Null where nothing on the shelf would do for this kind.</returns>
    /// <exception cref="ArgumentOutOfRangeException">Heads of the past are not drawn.</exception>
    public static StudyHead? Of(long seed, StudyKind kind, Shelf shelf, JsonObject? house = null)
    {
        var lots = new Lots(seed);
        for (int i = 0; i < Tries; i++)
        {
            var document = Draw(kind, lots, shelf);
            if (house is not null)
            {
                document.Put("house", house.DeepClone());
            }

            if (StudyHead.Read(seed, kind, document.Text(), shelf) is { } head && Asks(head))
            {
                return head;
            }
        }

        return null;
    }

    /// <summary>Whether a draw asks what its kind says, and can be answered well.</summary>
    private static bool Asks(StudyHead head)
    {
        var p = head.Best;
        return (head.Kind, p.Decision) switch
        {
            (StudyKind.Stop, Decision.Stop) or (StudyKind.Salon, Decision.Salon) => true,
            (StudyKind.Stop or StudyKind.Salon, _) or (_, not Decision.Kit) => false,
            _ => p.Advice.Single(a => a.Service == head.Case.Goal.Service).Fits
                && p.Confirm.Count == 0
                // A lift warms, and no mix takes all of that away.
                && (head.Kind == StudyKind.Lift || p.Forecast.DeltaE is < FarDeltaE)
                && p.Clock!.Remedies is null or { Count: 0 }
                && p.Formulas.Count == 1,
        };
    }

    private static CaseDocument Draw(StudyKind kind, Lots lots, Shelf shelf)
    {
        int natural = lots.Between(kind == StudyKind.Lift ? 5 : 3, 7);
        string tone = Tone(lots, shelf, natural);
        int mm = lots.Between(12, 24);
        var c = new CaseDocument();
        Person(c, lots, shelf);
        c.Set(HairNaturalLevel, natural)
            .Set(HairTexture, lots.Of(Enum.GetValues<Texture>()))
            .Set(HairDensity, lots.Of(Enum.GetValues<Density>()))
            .Set(HairPorosity, lots.OneIn(5) ? Porosity.High : Porosity.Normal)
            .Set(HairLengthCm, lots.Between(3, 12) * 5);
        Lengths(c, natural, tone, LengthHistory.Permanent);
        White(c, lots, kind, mm);
        // Where regrowth and lengths look alike, the days tell how long it is (RD5).
        c.Set(LastDaysAgo, Math.Round(mm * Growth.DaysPerMonth / Values.GrowthMmPerMonth));
        Wish(c, Service.RootTouchUp, natural, tone);
        c.Set(HandsWho, lots.OneIn(3) ? Who.Helper : Who.Alone).Set(HandsPractised, lots.OneIn(2));
        switch (kind)
        {
            case StudyKind.Band:
                Band(c, lots, natural);
                break;
            case StudyKind.Lightened:
                Lightened(c, lots, natural);
                break;
            case StudyKind.Lift:
                Lift(c, natural);
                break;
            case StudyKind.RunsOut:
                RunsOut(c, lots);
                break;
            case StudyKind.Salon:
                Salon(c, lots, natural);
                break;
            case StudyKind.Stop:
                HiddenStops.Into(c, lots);
                break;
        }

        return c;
    }

    private static void Lengths(CaseDocument c, double level, string tone, LengthHistory history, bool? highlighted = null) =>
        c.Set(LengthsLevel, level).Set(LengthsTone, tone).Set(LengthsHistory, history).Set(LengthsHighlighted, highlighted);

    private static void Wish(CaseDocument c, Service service, double level, string tone) =>
        c.Set(GoalService, service).Set(GoalLevel, level).Set(GoalTone, tone);

    /// <summary>A person whom nothing stops; half of them had a clear skin test with the usual line.</summary>
    private static void Person(CaseDocument c, Lots lots, Shelf shelf)
    {
        c.Set(ClientAgeYears, lots.Between(22, 74)).Set(ClientFirstKit, lots.OneIn(3)).Set(ClientScalp, lots.OneIn(8) ? Scalp.Sensitive : Scalp.Sound);
        if (lots.OneIn(2) && shelf.Lines.FirstOrDefault(l => l.Kind == LineKind.Permanent) is { } line)
        {
            // Clear and fresh, or clear and too long ago.
            c.Set(SkinTestDaysAgo, lots.OneIn(3) ? lots.Between(Values.SkinTestValidDays + 5, 90) : lots.Between(Values.SkinTestDays, 10))
                .Set(SkinTestResult, SkinResult.Clear)
                .Set(SkinTestLine, line.Id);
        }

        if (lots.OneIn(9))
        {
            c.Set(ClientNewMedicine, true);
        }

        if (lots.OneIn(12))
        {
            c.Set(ClientPregnant, true).Set(ClientAgeYears, lots.Between(24, 40));
        }
    }

    /// <summary>A tone that permanent colour has at the level: every second head is neutral.</summary>
    private static string Tone(Lots lots, Shelf shelf, int level)
    {
        var there = shelf
            .Lines.Where(l => l.Kind == LineKind.Permanent)
            .SelectMany(l => l.InStock)
            .Where(s => s.Level == level && s.Family is Family.G or Family.C or Family.AB or Family.AG or Family.B)
            .Select(s => s.Family!.Value.ToString())
            .Distinct()
            .ToList();
        return lots.OneIn(2) || there.Count == 0 ? "N" : lots.Of(there);
    }

    /// <summary>Regrowth and white by zone: most at the hairline and the temples, least at the back (RD3).</summary>
    private static void White(CaseDocument c, Lots lots, StudyKind kind, int mm)
    {
        int most = kind switch
        {
            StudyKind.OwnLevel or StudyKind.Lift or StudyKind.Lightened => lots.Between(0, 1) * 5,
            StudyKind.White or StudyKind.RunsOut => lots.Between(4, 12) * 5,
            StudyKind.Resistant => lots.Between(12, 18) * 5,
            _ => lots.Between(0, 10) * 5,
        };
        foreach (var zone in Enum.GetValues<Zone>())
        {
            bool temple = zone is Zone.LeftTemple or Zone.RightTemple;
            double part =
                zone == Zone.FrontHairline || temple ? 1
                : zone == Zone.Nape || zone is Zone.LeftBack or Zone.RightBack ? .3
                : kind == StudyKind.Resistant ? .4
                : .8;
            c.Set(zone, ZoneRegrowthMm, mm + lots.Between(-1, 1))
                .Set(zone, ZoneGreyPercent, Math.Round(most * part))
                .Set(zone, ZoneResistant, kind == StudyKind.Resistant && temple);
        }
    }
}
