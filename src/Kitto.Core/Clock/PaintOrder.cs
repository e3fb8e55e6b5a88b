using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>Orders in which people paint a head (clock, tables).</summary>
public enum PaintOrder
{
    /// <summary>Hairline, temples, nape edge, crown, backs, fronts.</summary>
    OutlineFirst,

    /// <summary>Backs, nape, crown, fronts, temples, hairline.</summary>
    BackFirst,

    /// <summary>Hairline, temples, fronts, crown, backs, nape.</summary>
    FrontFirst,

    /// <summary>Backs, face perimeter, back and forth, crown last.</summary>
    ToAndFro,

    /// <summary>Resistant or greyest zones first, then as back first.</summary>
    WorstFirst,

    /// <summary>The colourist's own for this head.</summary>
    Own,
}

/// <summary>How the colourist wants this head painted, whatever the numbers would choose.</summary>
/// <param name="Order">One of the known orders.</param>
/// <param name="Sequence">Her own: every included zone once; null where a known order is meant.</param>
public sealed record PaintWish(PaintOrder Order, IReadOnlyList<Zone>? Sequence)
{
    /// <summary>Time after the last stroke that is given and kept, right or wrong; null: the line's, shortened where it has to be.</summary>
    public Minutes? Process { get; init; }
}

/// <summary>What each order means and when it may be used.</summary>
public static class PaintOrders
{
    private static readonly Zone[] H = [Zone.FrontHairline];
    private static readonly Zone[] T = [Zone.LeftTemple, Zone.RightTemple];
    private static readonly Zone[] F = [Zone.LeftFront, Zone.RightFront];
    private static readonly Zone[] C = [Zone.Crown];
    private static readonly Zone[] B = [Zone.LeftBack, Zone.RightBack];
    private static readonly Zone[] N = [Zone.Nape];

    /// <summary>The included zones in the order of painting; the house's school on the hairline (AP19) moves that zone only.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The colourist's own order is not known here; it comes with its zones.</exception>
    public static IReadOnlyList<Zone> Sequence(PaintOrder order, Reading reading, House house)
    {
        Zone[] backFirst = [.. B, .. N, .. C, .. F, .. T, .. H];
        IEnumerable<Zone> path = order switch
        {
            PaintOrder.OutlineFirst => [.. H, .. T, .. N, .. C, .. B, .. F],
            PaintOrder.BackFirst => backFirst,
            PaintOrder.FrontFirst => [.. H, .. T, .. F, .. C, .. B, .. N],
            PaintOrder.ToAndFro => [.. B, .. H, .. T, .. F, .. N, .. C],
            PaintOrder.WorstFirst => backFirst
                .OrderByDescending(z => reading.Zones[(int)z].Resistant)
                .ThenByDescending(z => reading.Zones[(int)z].Grey.Value)
                .ThenBy(z => Array.IndexOf(backFirst, z)),
            _ => throw new ArgumentOutOfRangeException(nameof(order)),
        };
        path = house.Way<Hairline>() switch
        {
            Hairline.First => path.OrderBy(z => z != Zone.FrontHairline),
            Hairline.Last => path.OrderBy(z => z == Zone.FrontHairline),
            _ => path,
        };
        return [.. path.Where(z => reading.Zones[(int)z].Include)];
    }

    /// <summary>The orders the grey, the service and the depth allow (TM5; tables), and why.</summary>
    internal static (IReadOnlyList<PaintOrder> Orders, OrderFor Why) Admissible(Reading reading, Service service, Line line, double targetLevel, House house)
    {
        // By depth only a service that is there for its lift counts; the cautious school counts every colour that lifts.
        var school = house.Way<StartingPlace>();
        bool lift =
            service is Service.BaseLift or Service.Lighten
            || (school == StartingPlace.NeverFrontWhenLifting && line.IsPermanent && targetLevel - reading.Hair.NaturalLevel.Value >= Values.HalfLevel);
        return (reading.GreyIsTheReason, lift, school) switch
        {
            (true, _, _) => ([PaintOrder.OutlineFirst, PaintOrder.WorstFirst], OrderFor.WhiteIsTheReason),
            (_, _, StartingPlace.BackFirst) => ([PaintOrder.BackFirst], OrderFor.HouseStartsAtBack),
            (_, true, _) => ([PaintOrder.BackFirst, PaintOrder.ToAndFro], OrderFor.Lift),
            _ when targetLevel < 7 => ([PaintOrder.BackFirst, PaintOrder.ToAndFro], OrderFor.Deep),
            _ => ([PaintOrder.FrontFirst, PaintOrder.OutlineFirst], OrderFor.Light),
        };
    }
}
