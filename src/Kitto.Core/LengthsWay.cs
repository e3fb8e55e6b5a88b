using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>What the lengths get (SV9).</summary>
public enum LengthsWay
{
    /// <summary>Nothing.</summary>
    LeaveAlone,
    /// <summary>The root mix for the last minutes.</summary>
    SameMix,
    /// <summary>The root mix with as much conditioner for the last minutes.</summary>
    Diluted,
    /// <summary>A formula of their own, after the roots are rinsed.</summary>
    OwnFormula,
}

/// <summary>Decides SV9 on the head (tables).</summary>
public static class LengthsChoice
{
    /// <summary>What the lengths get in this service.</summary>
    public static LengthsWay Of(Case c, Aim aim, ICollection<Because> why)
    {
        var lengths = c.Reading.Hair.Lengths;
        double faded = lengths.Level.LighterThan(aim.LengthsLevel);
        bool sameTone = lengths.Tone.SameAs(aim.Tone);
        LengthsWay Say(LengthsWay way, string says)
        {
            why.Add(new Because("SV9", says, "lengths"));
            return way;
        }

        switch (c.Goal.Service)
        {
            case Service.Gloss:
                return LengthsWay.OwnFormula;
            case Service.RootAndGloss:
                return Say(LengthsWay.OwnFormula, "The lengths get their own gloss, mixed fresh once the roots are rinsed and towel-dried.");
            case Service.RootTouchUp or Service.GreyBlend when faded >= Aim.HalfLevel && sameTone && !lengths.Bright:
                return Say(LengthsWay.LeaveAlone, $"Lengths are left alone. They have faded {faded:0.#} levels; a refresh of the lengths would help.");
            case Service.RootTouchUp or Service.GreyBlend or Service.BaseLift or Service.RootShadow or Service.Lighten:
                return Say(LengthsWay.LeaveAlone, "Lengths are left alone: colour on coloured hair only adds up.");
        }

        string school = c.House.School("SV9");
        return (lengths.Bright, school) switch
        {
            (true, not "ownFormula") => Say(LengthsWay.LeaveAlone, "The lengths are lightened or highlighted: root colour would stain them, so they are left alone."),
            (_, "leaveAlone") => Say(LengthsWay.LeaveAlone, "The house leaves lengths alone."),
            (_, "sameMix") => Say(LengthsWay.SameMix, "The house pulls the same mix through for the last 5 to 10 minutes."),
            (_, "diluted") => Say(LengthsWay.Diluted, "The house dilutes the remaining mix with conditioner for the lengths, 5 to 10 minutes."),
            (_, "ownFormula") => Say(LengthsWay.OwnFormula, "The house gives lengths a formula of their own."),
            _ when !sameTone => Say(LengthsWay.OwnFormula, $"The lengths are {lengths.Tone} and the wish is {aim.Tone}: another tone wants its own formula, a gloss."),
            _ when faded >= Aim.HalfLevel => Say(LengthsWay.SameMix, $"The lengths have faded {faded:0.#} levels and take the same shade: the mix is pulled through for the last 5 to 10 minutes."),
            _ => Say(LengthsWay.LeaveAlone, $"The lengths are at {lengths.Level}, the wish is {aim.LengthsLevel}: nothing to freshen, so they are left alone."),
        };
    }
}
