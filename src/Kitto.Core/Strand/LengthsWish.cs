using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Strand;

/// <summary>What the lengths get: nothing, the root mix pulled through, or a formula of their own.</summary>
/// <param name="Does">Shield, pull through, or tone.</param>
/// <param name="Wish">What they shall become; null where they are left.</param>
/// <param name="Diluted">Whether a pulled-through mix is first stirred with as much conditioner.</param>
internal sealed record LengthsPlan(Does Does, Wish? Wish, bool Diluted = false)
{
    private static readonly LengthsPlan Shielded = new(Does.Shield, null);

    /// <summary>Decides for any service but a gloss, whose goal is the lengths' own (SV9, SV13 to SV15). No way but a wish takes lengths deeper by more than half a level or to another family.</summary>
    public static LengthsPlan Of(Case c, Wish roots, ICollection<Reason> why)
    {
        var lengths = c.Reading.Hair.Lengths;
        double faded = lengths.Level.LighterThan(roots.Level);
        bool same = lengths.Tone.SameAs(roots.Tone);
        LengthsPlan Say(LengthsPlan plan, Reason because)
        {
            why.Add(because);
            return plan;
        }

        if (c.Goal.Lengths is { } own)
        {
            var wish = new Wish(own.Level ?? lengths.Level, own.Tone ?? lengths.Tone, own.Clear);
            if (own.Clear)
            {
                return Say(new(Does.Tone, wish), new LengthsClearAsWished());
            }

            return
                c.Goal.Service == Service.RootAndRefresh
                && !lengths.Bright
                && same
                && c.House.Way<FadedLengths>() != FadedLengths.OwnFormula
                && wish.Level == roots.Level
                && wish.Tone.SameAs(roots.Tone)
                && faded >= Values.HalfLevel
                ? Say(new(Does.PullThrough, wish, Dilutes(c)), new LengthsPulledAsWished(wish.Level, wish.Tone))
                : Say(new(Does.Tone, wish), new LengthsOwnWish(wish.Level, wish.Tone));
        }

        switch (c.Goal.Service)
        {
            case Service.RootAndGloss when lengths.Bright || !same || faded < Values.HalfLevel:
                return Say(
                    new(Does.Tone, new Wish(lengths.Level, lengths.Tone, Clear: true)),
                    lengths.Bright ? new BrightGetClear()
                        : same ? new RightGetClear()
                        : new OtherToneGetsClear(lengths.Tone)
                );
            case Service.RootAndGloss:
                double back = Math.Max(roots.Level.Value, lengths.Level.Value - Values.HalfLevel);
                return Say(
                    new(Does.Tone, new Wish(Level.Of(back), roots.Tone)),
                    faded > Values.HalfLevel ? new HalfALevelBack(faded, back) : new FadedGetTheirsBack(faded)
                );
            case Service.RootAndRefresh when lengths.Bright:
                return Say(Shielded, new BrightNotRefreshed());
            case Service.RootAndRefresh when !same:
                return Say(Shielded, new OtherToneNotRefreshed(lengths.Tone, roots.Tone));
            case Service.RootAndRefresh when faded > Values.MostFaded:
                return Say(Shielded, new TooFadedToRefresh(faded));
            case Service.RootAndRefresh when faded < Values.HalfLevel:
                return Say(Shielded, new NothingToFreshen(lengths.Level, roots.Level));
            case Service.RootAndRefresh:
                return c.House.Way<FadedLengths>() switch
                {
                    FadedLengths.LeaveAlone => Say(Shielded, new HouseLeavesLengths()),
                    FadedLengths.OwnFormula => Say(new(Does.Tone, roots with { Clear = false }), new HouseOwnFormula()),
                    FadedLengths.Diluted => Say(new(Does.PullThrough, roots, true), new HouseDilutes()),
                    _ when Dilutes(c) => Say(new(Does.PullThrough, roots, true), new PorousGetDiluted(faded)),
                    _ => Say(new(Does.PullThrough, roots), new FadedPulledThrough(faded)),
                };
            case Service.RootTouchUp or Service.GreyBlend when faded >= Values.HalfLevel && same && !lengths.Bright:
                return Say(Shielded, new FadedLeftAlone(faded));
            case Service.Lighten:
                return Say(Shielded, new LengthsUnderMask());
            default:
                return Say(Shielded, new LengthsLeftAlone());
        }
    }

    /// <summary>Whether what is pulled through is first stirred with as much conditioner: where the house always does, and by head on porous hair, which takes fast and deep (RD7, SV9).</summary>
    public static bool Dilutes(Case c) =>
        c.House.Way<FadedLengths>() switch
        {
            FadedLengths.Diluted => true,
            FadedLengths.ByHead => c.Reading.Hair.Porosity == Porosity.High,
            _ => false,
        };
}
