using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Reasons;
using Kitto.Core.Strand;

namespace Kitto.Core.Shade;

/// <summary>A formula with its shades, what it meets, and the other mixes worth considering.</summary>
/// <param name="Plan">What was wanted.</param>
/// <param name="Parts">Its shades.</param>
/// <param name="ApplicationTarget">What it meets on the head; null for lightener, which no forecast is made of.</param>
/// <param name="Mix">Its dye; null for lightener.</param>
/// <param name="MixForecast">What it makes of that.</param>
/// <param name="Others">Other mixes, best first.</param>
/// <param name="Breach">What of it a colourist would not sign.</param>
internal sealed record SelectedFormula(
    FormulaPlan Plan,
    IReadOnlyList<MixPart> Parts,
    ApplicationTarget? ApplicationTarget,
    Mixture? Mix,
    MixForecast? MixForecast,
    IReadOnlyList<Found> Others,
    Breach Breach
)
{
    /// <summary>Decides the shades: a given formula is taken as it is; known history beats any calculation (SH1); clear is clear (SH24); else the search decides.</summary>
    /// <param name="plan">What is wanted.</param>
    /// <param name="reading">The reading.</param>
    /// <param name="canvas">What it meets; null for lightener.</param>
    /// <param name="rules">The rules its mix keeps.</param>
    /// <param name="ideas">Whether other mixes are shown beside it.</param>
    /// <param name="why">Reasons are added.</param>
    public static SelectedFormula Of(FormulaPlan plan, Reading reading, ApplicationTarget? canvas, MixRules rules, bool ideas, ICollection<Reason> why)
    {
        if (canvas is null)
        {
            why.Add(new LightenerIsWatched(plan.About));
            return new SelectedFormula(plan, plan.Given?.Parts ?? [new MixPart(ShadeOf.Lightener, Share.Of(1))], null, null, null, [], Breach.None);
        }

        var last = reading.Last is { Result: null or { AllRight: true }, Formula: { } f } && f.Use == plan.Use ? f.Parts : null;
        bool clear = plan.Wish.Clear && plan.Line.InStock.Any(s => s.Code == ShadeOf.Clear);
        if (
            plan.Given is null
            && reading.Last?.Formula is { } before
            && before.Use == plan.Use
            && before.Parts.FirstOrDefault(p => plan.Line.Out.Contains(p.Shade)) is { } gone
        )
        {
            why.Add(new LastTimeOutOfStock(plan.About, gone.Shade));
        }

        var known =
            plan.Given?.Parts
            ?? (clear ? [new MixPart(ShadeOf.Clear, Share.Of(1))] : Adjust.Next(reading.Last, plan.Use, plan.Line, plan.Wish.Level, plan.Wish.Tone, why));
        var found = clear || (known is not null && !ideas) ? new Ideas(null, [], 0) : MixSearch.Best(canvas, rules, last);
        if ((known ?? found.Best?.Parts) is not { } bare)
        {
            throw new InvalidOperationException($"{plan.Line.Id} has no shade in stock to mix from.");
        }

        // A quick tone is its mix with as much clear; the canvas counts that already.
        var parts =
            plan.Dilutes && known is null
                ? [.. bare.Select(p => p with { Share = Share.Of(p.Share.Value / 2) }), new MixPart(ShadeOf.Clear, Share.Of(.5))]
                : bare;
        if (parts != bare)
        {
            why.Add(new DilutedWithClear(plan.About));
        }

        var mix = new Mixture(plan.Line, plan.Developer, bare);
        var looked = canvas.Look(mix);
        var breach = clear ? Breach.None : rules.Of(bare, plan.Line) | rules.Of(canvas, looked);
        MixReasons.Breaches(plan, rules, breach, canvas, looked, bare, known is not null, why);
        MixReasons.Say(plan, reading, rules, canvas, bare, looked, searched: known is null, clear, why);
        return new SelectedFormula(
            plan,
            parts,
            canvas,
            mix,
            looked,
            ideas ? [.. found.Others.Prepend(found.Best).OfType<Found>().Where(o => !Same(o.Parts, bare))] : [],
            breach
        );
    }

    /// <summary>Shares nearer than this weigh the same.</summary>
    internal const double Weighed = .005;

    /// <summary>Whether two mixes are the same to what can be weighed.</summary>
    public static bool Same(IReadOnlyList<MixPart> one, IReadOnlyList<MixPart> two) =>
        one.Count == two.Count && one.All(p => two.Any(q => q.Shade == p.Shade && Math.Abs(q.Share.Value - p.Share.Value) < Weighed));
}
