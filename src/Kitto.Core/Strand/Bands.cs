using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;

namespace Kitto.Core.Strand;

/// <summary>What a faded or brassy band gets (RD11, SV17).</summary>
internal static class Bands
{
    /// <summary>A formula of the band's own where a gloss is made and the band is off from what the lengths shall be; null where it takes theirs, or none.</summary>
    public static int? Own(Case c, Band band, LengthsPlan lengths, int? own, List<FormulaPlan> formulas, Line line, Shelf shelf, ICollection<Reason> why)
    {
        // Shadow and blend see to their band themselves.
        if (own is null || c.Goal.Service is Service.RootShadow or Service.GreyBlend)
        {
            return null;
        }

        var state = HairState.Of(c.Reading, Zone.Crown, Stretch.Band);
        var wish = lengths.Wish! with { Clear = false };
        if (!state.Off(wish))
        {
            return null;
        }

        var reach = Reach(state, wish);
        formulas.Add(FormulaPlan.Of(c, FormulaUse.Band, shelf.ForLengths(c.Goal.Service, line, c.House), reach, state, shelf, why));
        why.Add(new BandOwnGloss(band.Level, band.Tone, wish.Level, wish.Tone, reach.Level));
        return formulas.Count - 1;
    }

    /// <summary>As much of a wish as can be had on a stretch: its tone, at no lighter level than it has (SH8, SH9).</summary>
    public static Wish Reach(HairState state, Wish wish) => state.Level.Value < wish.Level.Value ? wish with { Level = state.Level } : wish;

    /// <summary>Says what becomes of the band.</summary>
    public static void Say(Case c, LengthsPlan lengths, bool gloss, int? own, ICollection<Reason> why)
    {
        BandGets? gets = (c.Goal.Service, gloss, own) switch
        {
            (Service.RootShadow, _, _) => BandGets.ShadowTail,
            (Service.BaseLift, false, _) => BandGets.NoLift,
            (Service.Lighten, _, _) => BandGets.LightenerUpToIt,
            (_, true, null) => BandGets.SameGloss,
            (_, true, _) => null,
            _ when lengths.Does == Does.PullThrough => BandGets.PulledThrough,
            _ => BandGets.Nothing,
        };
        if (gets is { } what)
        {
            why.Add(new BandGetsThat(what));
        }
    }
}
