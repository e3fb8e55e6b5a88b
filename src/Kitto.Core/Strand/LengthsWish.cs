using Kitto.Core.Head;
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
    public static LengthsPlan Of(Case c, Wish roots, ICollection<Because> why)
    {
        var lengths = c.Reading.Hair.Lengths;
        double faded = lengths.Level.LighterThan(roots.Level);
        bool same = lengths.Tone.SameAs(roots.Tone);
        LengthsPlan Say(LengthsPlan plan, string says, string rule = "SV9")
        {
            why.Add(new Because(rule, says, Topic.Lengths));
            return plan;
        }

        if (c.Goal.Lengths is { } own)
        {
            var wish = new Wish(own.Level ?? lengths.Level, own.Tone ?? lengths.Tone, own.Clear);
            if (own.Clear)
            {
                return Say(new(Does.Tone, wish), "The lengths get a clear gloss for shine, as wished, once the roots are rinsed and towel-dried.", "SV13");
            }

            return
                c.Goal.Service == Service.RootAndRefresh
                && !lengths.Bright
                && same
                && c.House.Way<FadedLengths>() != FadedLengths.OwnFormula
                && wish.Level == roots.Level
                && wish.Tone.SameAs(roots.Tone)
                && faded >= Values.HalfLevel
                ? Say(
                    new(Does.PullThrough, wish, Dilutes(c)),
                    $"The lengths shall be {wish.Level} {wish.Tone}, as the roots: the mix is pulled through for the last {Values.EndsMinutes:0} to {Values.PulledMinutes:0} minutes.",
                    "SV13"
                )
                : Say(
                    new(Does.Tone, wish),
                    $"The lengths have their own wish, {wish.Level} {wish.Tone}: a gloss of their own, mixed fresh once the roots are rinsed and towel-dried.",
                    "SV13"
                );
        }

        switch (c.Goal.Service)
        {
            case Service.RootAndGloss when lengths.Bright || !same || faded < Values.HalfLevel:
                return Say(
                    new(Does.Tone, new Wish(lengths.Level, lengths.Tone, Clear: true)),
                    lengths.Bright
                            ? "The lengths are lightened or highlighted and nothing else is wished for them: a clear gloss, for shine alone. Root colour or its level would paint them dark."
                        : same ? "The lengths are right as they are: a clear gloss, for shine alone."
                        : $"The lengths are {lengths.Tone} and nothing is wished for them: a clear gloss, for shine alone. Say what they shall be if they are to change.",
                    "SV15"
                );
            case Service.RootAndGloss:
                double back = Math.Max(roots.Level.Value, lengths.Level.Value - Values.HalfLevel);
                return Say(
                    new(Does.Tone, new Wish(Level.Of(back), roots.Tone)),
                    faded > Values.HalfLevel
                        ? $"The lengths have faded by {Levels(faded)}. A gloss gives them half a level back, to {back:0.#}; deeper wants a wish of their own."
                        : $"The lengths have faded by {Levels(faded)}: a gloss gives them their own level and family back.",
                    "SV15"
                );
            case Service.RootAndRefresh when lengths.Bright:
                Ask("they are lightened or highlighted, and root colour would paint them dark");
                return Shielded;
            case Service.RootAndRefresh when !same:
                Ask($"they are {lengths.Tone}, another family than the {roots.Tone} of the roots");
                return Shielded;
            case Service.RootAndRefresh when faded > Values.MostFaded:
                Ask($"they are {Levels(faded)} lighter than the roots are to be, which is more than fading");
                return Shielded;
            case Service.RootAndRefresh when faded < Values.HalfLevel:
                return Say(Shielded, $"The lengths are at {lengths.Level}, the wish is {roots.Level}: nothing to freshen, so they are left alone.");
            case Service.RootAndRefresh:
                return c.House.Way<FadedLengths>() switch
                {
                    FadedLengths.LeaveAlone => Say(Shielded, "The house leaves lengths alone."),
                    FadedLengths.OwnFormula => Say(
                        new(Does.Tone, roots with { Clear = false }),
                        "The house gives lengths a formula of their own, after the rinse."
                    ),
                    FadedLengths.Diluted => Say(
                        new(Does.PullThrough, roots, true),
                        $"The house dilutes the remaining mix with conditioner for the lengths, {Values.EndsMinutes:0} to {Values.PulledMinutes:0} minutes."
                    ),
                    _ when Dilutes(c) => Say(
                        new(Does.PullThrough, roots, true),
                        $"The lengths have faded by {Levels(faded)} and are porous, which takes fast and deep: what is left is stirred with as much conditioner for the last {Values.EndsMinutes:0} to {Values.PulledMinutes:0} minutes, the ends last."
                    ),
                    _ => Say(
                        new(Does.PullThrough, roots),
                        $"The lengths have faded by {Levels(faded)} and take the same shade: the mix is pulled through for the last {Values.EndsMinutes:0} to {Values.PulledMinutes:0} minutes, the ends last."
                    ),
                };
            case Service.RootTouchUp or Service.GreyBlend when faded >= Values.HalfLevel && same && !lengths.Bright:
                return Say(Shielded, $"The lengths are left alone. They have faded by {Levels(faded)}; a refresh would help.");
            case Service.Lighten:
                return Say(Shielded, "The lengths are kept under a conditioning mask while the lightener works.");
            default:
                return Say(Shielded, "The lengths are left alone: colour on coloured hair only adds up.");
        }

        void Ask(string reason) =>
            why.Add(new Because("SV14", $"The lengths are left alone: {reason}. Say what they shall be, and they get a gloss of their own.", Topic.Attention));
    }

    /// <summary>Whether what is pulled through is first stirred with as much conditioner: where the house always does, and by head on porous hair, which takes fast and deep (RD7, SV9).</summary>
    public static bool Dilutes(Case c) =>
        c.House.Way<FadedLengths>() switch
        {
            FadedLengths.Diluted => true,
            FadedLengths.ByHead => c.Reading.Hair.Porosity == Porosity.High,
            _ => false,
        };

    internal static string Levels(double levels) => levels == .5 ? "half a level" : $"{levels:0.#} level{(levels == 1 ? "" : "s")}";
}
