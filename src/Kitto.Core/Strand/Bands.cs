using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core.Strand;

/// <summary>What a faded or brassy band gets (RD11, SV17).</summary>
internal static class Bands
{
    /// <summary>A formula of the band's own where a gloss is made and the band is off from what the lengths shall be; null where it takes theirs, or none.</summary>
    public static int? Own(Case c, Band band, LengthsPlan lengths, int? own, List<FormulaPlan> formulas, Line line, Shelf shelf, ICollection<Because> why)
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
        formulas.Add(FormulaPlan.Of(c, FormulaPlan.Band, shelf.ForLengths(c.Goal.Service, line, c.House), reach, state, shelf, why));
        why.Add(
            new Because(
                "SV17",
                $"The band is {band.Level} {band.Tone} and shall be as the lengths, {wish.Level} {wish.Tone}: it gets a gloss of its own first{(reach.Level == wish.Level ? "" : $", at its own level {reach.Level}, since no gloss makes hair lighter")}.",
                Topic.Lengths
            )
        );
        return formulas.Count - 1;
    }

    /// <summary>As much of a wish as can be had on a stretch: its tone, at no lighter level than it has (SH8, SH9).</summary>
    public static Wish Reach(HairState state, Wish wish) => state.Level.Value < wish.Level.Value ? wish with { Level = state.Level } : wish;

    /// <summary>Says what becomes of the band.</summary>
    public static void Say(Case c, LengthsPlan lengths, bool gloss, int? own, ICollection<Because> why)
    {
        string? says = (c.Goal.Service, gloss, own) switch
        {
            (Service.RootShadow, _, _) => "The tail of the shadow is feathered over the band first, so that the brassy stretch melts into the lengths.",
            (Service.BaseLift, false, _) => "The lift stays off the band; a slight warmth may show there for a week or two.",
            (Service.Lighten, _, _) => "The lightener is feathered up to the band and never laps over it.",
            (_, true, null) => "The band gets the same gloss as the lengths.",
            (_, true, _) => null,
            _ when lengths.Does == Does.PullThrough => "The band gets the pulled-through mix with the lengths.",
            _ => "The band is left as it is: the root mix stays off it, and it may show between the new roots and the lengths.",
        };
        if (says is not null)
        {
            why.Add(new Because("RD11", says, Topic.Lengths));
        }
    }
}
