using System.Globalization;
using Kitto.Core.Head;

namespace Kitto.Core.Contract;

/// <summary>What cannot be of a strand and its wishes, by field and range.</summary>
internal static class StrandCheck
{
    /// <summary>Complains of a band or a tail longer than the hair, of roots that were not lightened, and of wishes a service has no use for.</summary>
    public static void Of(ObjectReader root, Goal goal, Hair hair, IReadOnlyList<ZoneReading> zones)
    {
        string Say(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
        var longest = zones.Where(z => z.Include).Select(z => z.Regrowth.Value).DefaultIfEmpty(0).Max();
        double all = hair.LengthCm * 10;
        if (hair.Band is { } band && longest + band.Length.Value > all + 1e-9 && longest <= all)
        {
            root.Fail(
                CaseFields.BandLengthMm.Path,
                Say($"is {band.Length.Value:0.#}, longer than the hair: {longest:0.#} mm of regrowth leave {all - longest:0.#} mm of {hair.LengthCm:0.#} cm"),
                Say($"0 to {all - longest:0.#}")
            );
        }

        if (hair.Roots is { } roots && roots.Level.Value <= hair.NaturalLevel.Value)
        {
            root.Fail(
                CaseFields.RootsLevel.Path,
                $"is {roots.Level}, not lighter than the natural {hair.NaturalLevel}: these roots were not lightened",
                Say($"{hair.NaturalLevel.Value + .5:0.#} to 12; without roots the regrowth is natural hair")
            );
        }

        if (goal.Service == Service.RootShadow)
        {
            var over = Zones
                .All.Where(z =>
                    zones[(int)z.Zone].Include
                    && zones[(int)z.Zone].Regrowth.Value <= all
                    && zones[(int)z.Zone].Regrowth.Value + goal.TailAt(z.Zone).Value > all + 1e-9
                )
                .ToList();
            if (over.Count > 0)
            {
                double needs = over.Max(z => zones[(int)z.Zone].Regrowth.Value + goal.TailAt(z.Zone).Value) / 10;
                root.Fail(
                    CaseFields.HairLengthCm.Path,
                    Say($"is {hair.LengthCm:0.#}: a shadow's tail, {over.Max(z => goal.TailAt(z.Zone).Value):0} mm past the line, would run beyond the ends"),
                    Say($"{needs:0.#} to 120")
                );
            }
        }

        if (goal is { Lengths: not null, Service: Service.Gloss or Service.Lighten })
        {
            root.Fail(
                "goal.lengths",
                goal.Service == Service.Gloss
                    ? "stands beside a gloss, whose level and tone are the lengths' own"
                    : "stands beside lightening, which leaves the lengths alone",
                "a root service: rootTouchUp, rootAndRefresh, rootAndGloss, rootShadow, baseLift, greyBlend"
            );
        }

        if (goal.LeaveFrame && goal.Service != Service.RootShadow)
        {
            root.Fail(CaseFields.GoalFrame.Path, "leaves the frame out, which only a shadow does", "leaveOut with rootShadow, else paint");
        }

        if (goal.How == How.QuickTone && goal.Service != Service.Gloss)
        {
            root.Fail(CaseFields.GoalHow.Path, "is a quick tone, which is a gloss", "quickTone with gloss, else usual");
        }

        if (goal.How == How.TwoSteps && goal.Service is not (Service.RootTouchUp or Service.RootAndRefresh or Service.RootAndGloss))
        {
            root.Fail(
                CaseFields.GoalHow.Path,
                "is two steps, permanent and then a demi on the roots",
                "twoSteps with rootTouchUp, rootAndRefresh or rootAndGloss, else usual"
            );
        }
    }
}
