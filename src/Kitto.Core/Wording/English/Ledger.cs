using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>The ledger: how true Kitto was, and what to change.</summary>
internal sealed partial class English
{
    private static string Of(TruthName name) =>
        name.About switch
        {
            TruthAbout.RanOut => "Kits that ran out",
            TruthAbout.Used => "Used, against reckoned",
            TruthAbout.InBand => "Used within the band of eight in ten",
            TruthAbout.CameRight => "Came out right in depth and tone",
            TruthAbout.NearRight => "The same, where the forecast was near the wish",
            TruthAbout.Painting => "Painting, against planned",
            TruthAbout.Contact => "First stroke to rinse, against planned",
            TruthAbout.Growth => "Growth in a month",
            _ => throw NoWords(name),
        };

    private static string Of(TruthSays says) =>
        (says.Finding, says.About) switch
        {
            (Finding.TooFew, _) => $"{says.Count} of the {says.Fewest} kits that are needed before anything is concluded.",
            (Finding.AsReckoned, TruthAbout.CameRight) => "Ask for the colour in every report: it is what moves the next forecast.",
            (Finding.AsReckoned, _) => "As reckoned; change nothing.",
            (Finding.More, TruthAbout.RanOut) =>
                "More run out than promised: raise “kits of 100 that do not run out” in House, and ask who ran out to weigh what is left.",
            (Finding.Less, TruthAbout.RanOut) => "Fewer run out than promised: the level in House may come down, and less is thrown away.",
            (Finding.More, TruthAbout.Used) =>
                "More is used than reckoned: read density and texture again on heads that ran short before anything else is changed.",
            (Finding.Less, TruthAbout.Used) => "Less is used than reckoned: see whether regrowth is read too long, and whether brushes are edged off too much.",
            (Finding.More, TruthAbout.InBand) => "Hands vary less than reckoned: the band may be trusted.",
            (Finding.Less, TruthAbout.InBand) => "Hands vary more than reckoned: ask for weighed leftovers, not for the picture of the bowl.",
            (Finding.More, TruthAbout.NearRight) => "A near forecast comes out right more often than others: it may be trusted.",
            (Finding.Less, TruthAbout.NearRight) => "A near forecast is no better than others: check levels and tones as they were read, in daylight.",
            (Finding.More, TruthAbout.Painting) => "Painting takes longer than planned: read who paints again, and let the colour day begin earlier.",
            (Finding.Less, TruthAbout.Painting) => "Painting is quicker than planned: tick “practised” for hands that have done it before.",
            (Finding.More, TruthAbout.Contact) =>
                "Colour stays on longer than planned: the guide already moves the rinse with late strokes; look at those who rinse late in spite of it.",
            (Finding.Less, TruthAbout.Contact) =>
                "Colour comes off sooner than planned: where white shows afterwards, that is why; say so before a stronger mix is taken.",
            (Finding.More, TruthAbout.Growth) =>
                $"Hair grows faster here than the usual {Values.GrowthMmPerMonth:0.#} mm: measure each head, and its own rate is used.",
            (Finding.Less, TruthAbout.Growth) =>
                $"Hair grows slower here than the usual {Values.GrowthMmPerMonth:0.#} mm: measure each head, and its own rate is used.",
            (_, TruthAbout.CameRight) => "Ask for the colour in every report: it is what moves the next forecast.",
            _ => throw NoWords(says),
        };
}
