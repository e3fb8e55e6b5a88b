using Kitto.Core.Packing;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>The bench: what is filled, what differs, why something is not taken down.</summary>
internal sealed partial class English
{
    /// <inheritdoc/>
    public override string Names(Vessel vessel) => $"{Of(vessel.Kind)}{(vessel.Pair.Length > 0 ? ", " + vessel.Pair : "")} ({Of(vessel.Use)})";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Label(LabelFacts facts) =>
        [
            Sentences.Begin(Names(facts.Vessel)),
            $"{facts.Grams} · {string.Join(" + ", facts.Holds)} · {facts.Line}",
            facts.Lots.Count == 0 ? "batch ……………………" : $"batch {string.Join(", ", facts.Lots)}",
            $"filled {Day(facts.FilledOn, weekday: false)} · use by {Day(facts.UseBy, weekday: false)} {facts.UseBy.Year}",
            $"kit {facts.Kit} for {facts.Client}",
            Label(facts.Client),
            $"Ingredients: see the manufacturer's pack, or ask {facts.Studio}{(facts.Phone.Length > 0 ? ", " + facts.Phone : "")}.",
        ];

    /// <inheritdoc/>
    public override string Paper(string name) =>
        $"{name}, scan this code to open your guide. Do that before you open anything else. It starts with the skin test, {Values.SkinTestHours} hours before the colour.";

    private static string Of(VesselKind kind) =>
        kind switch
        {
            VesselKind.ColourBlend => "colour blend",
            VesselKind.Colour => "colour",
            VesselKind.SkinTest => "skin test",
            VesselKind.StrandColour => "strand test, colour",
            VesselKind.DeveloperBlend => "developer blend",
            VesselKind.Developer => "developer",
            VesselKind.StrandDeveloper => "strand test, developer",
            VesselKind.Vial => "vial of developer for stubborn greys",
            _ => throw NoWords(kind),
        };

    private static string Of(PackingReason reason) =>
        reason switch
        {
            RatioIsOff r =>
                $"The {r.Pair} pair is mixed at 1:{r.Poured:0.##}, not at 1:{r.Prescribed:0.##}: {(r.Poured > r.Prescribed ? "thinner, lighter, less cover" : "thicker, and it may drag")}.",
            LooksOther r => $"The {Of(r.Use)} as poured comes out {r.DeltaE:0.0} from what was prescribed.",
            SentOther r => $"{r.Sent} goes into the box instead of {r.Prescribed}; the chance that it runs out is {r.RunsOut.Percent:0} %.",
            NotWeighed r => $"{Sentences.Begin(r.What)} was not weighed here: “{r.Said}”. It counts as prescribed.",
            EndsOnShelf r => $"{r.Item} of {r.Line} ends: this kit takes {r.Takes}, and {r.There} is at hand beside what other kits wait for.",
            _ => throw NoWords(reason),
        };

    private static string Of(PackingRefusal why) =>
        why switch
        {
            PackingRefusal.NoSuchVessel => "This kit has no such sachet or bottle.",
            PackingRefusal.NoSuchPart => "Nothing of that goes in there.",
            PackingRefusal.DecideFirst => "Too much is in: decide first what becomes of it.",
            PackingRefusal.IsClosed => "It is closed, with its label on.",
            PackingRefusal.BlendComesFirst => "The blend it is filled of is not weighed yet: weigh it, stir it even, then divide it.",
            PackingRefusal.NothingToDecide => "It is not over, and not begun: there is nothing to decide.",
            PackingRefusal.FactorOutOfRange => $"A smaller filling is {PackingRules.LeastFactor * 100:0} % of what is prescribed, or more.",
            PackingRefusal.TooMuchIsIn => "More than that is in already; start that one again, or take it as it is.",
            PackingRefusal.NotTheLast => "Only the last thing told of it can be undone or moved, and something was told since.",
            PackingRefusal.WhatIsLostIsLost => "What was dropped is lost.",
            PackingRefusal.NothingIsIn => "Nothing is in it.",
            PackingRefusal.NotFilled => "It is not filled yet.",
            PackingRefusal.ReasonMissing => "Say why: 3 to 300 characters. It stands in the record.",
            _ => throw NoWords(why),
        };

    private static string Of(GramsOutOfRange r) => $"{r.Told:0.##} g is no pour. Allowed: more than 0, up to {r.Most:0} g.";
}
