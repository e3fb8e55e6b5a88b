using Kitto.Core;
using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Web.Drawing;

/// <summary>What is done round the painting: parting, mixing, dabbing, looking, rinsing.</summary>
public sealed partial class HandsOn
{
    private ZoneForecast? Any => p.Forecast.PerZone is [var any, ..] ? any : null;

    private string Natural => Any?.Today is { } today ? (today.Pigmented ?? today.White)?.Hex ?? today.Hex : "#6b6b6b";

    /// <summary>Forehead to nape, ear to ear, and four clips (AP6), from above.</summary>
    private string Parting()
    {
        var svg = new Svg();
        svg.Add(
            $"<ellipse class=\"ho-skin\" cx=\"98\" cy=\"70\" rx=\"9\" ry=\"16\"/><ellipse class=\"ho-skin\" cx=\"242\" cy=\"70\" rx=\"9\" ry=\"16\"/><path class=\"ho-skin\" d=\"M162 126l8 10 8-10z\"/><ellipse cx=\"170\" cy=\"70\" rx=\"70\" ry=\"58\" fill=\"{Natural}\"/>"
        );
        svg.Add($"<path class=\"ho-part first\" pathLength=\"100\" d=\"M170 127V13\"/><path class=\"ho-part second\" pathLength=\"100\" d=\"M101 70H239\"/>");
        foreach (var (x, y) in new[] { (136, 44), (204, 44), (136, 98), (204, 98) })
        {
            svg.Add($"<g class=\"ho-clip\"><path class=\"ho-handle\" d=\"M{x - 12} {y - 4}h24v4h-24zM{x - 12} {y + 2}h24v4h-24z\"/></g>");
        }

        return Figure("ho-parting", "AP6", text["Hair parted from forehead to nape and from ear to ear, clipped in four."], svg, height: 140);
    }

    /// <summary>Small hairs outside the hairline are caught with slanted partings.</summary>
    private string Hairline()
    {
        string hex = p.Forecast.PerZone.FirstOrDefault(z => z.Zone == Zone.FrontHairline)?.Hex ?? Natural;
        var svg = new Svg();
        svg.Add($"<path class=\"ho-skin\" d=\"M0 100Q170 40 340 100V132H0z\"/><path fill=\"{Natural}\" d=\"M0 0H340V100Q170 40 0 100z\"/>");
        for (int i = 0; i < 13; i++)
        {
            double x = 24 + i * 24.3,
                y = 100 - 60 * (1 - Math.Pow((x - 170) / 170, 2)) / 2 * 1.0;
            svg.Add($"<path class=\"fibre\" stroke=\"{Natural}\" stroke-width=\"2\" d=\"M{x} {y - 2}q{(i % 2 == 0 ? 4 : -4)} 7 {(i % 2 == 0 ? 1 : -1)} 13\"/>");
        }

        for (int i = 0; i < 6; i++)
        {
            double x = 40 + i * 52;
            svg.Add($"<path class=\"ho-part\" pathLength=\"100\" d=\"M{x} 18l30 34\"/>");
        }

        svg.Add($"<path class=\"ho-coat first\" pathLength=\"100\" stroke=\"{hex}\" stroke-width=\"13\" stroke-opacity=\".85\" d=\"M8 104Q170 44 332 104\"/>");
        return Figure("ho-hairline", "AP11", text["Slanted sections at the hairline. The small hairs outside it get colour too."], svg);
    }

    /// <summary>A cotton bud dabs what is in the vial on the white (AP9).</summary>
    private string Dab()
    {
        var zone = p.Forecast.PerZone.FirstOrDefault(z => read.Reading.Zones[(int)z.Zone].Resistant) ?? Any;
        if (zone is null)
        {
            return "";
        }

        var svg = new Svg();
        svg.Add($"<rect class=\"scalp\" width=\"{Scalp}\" height=\"{Low}\"/>");
        Hair(svg, Scalp, Line + 60, Math.Max(.5, zone.Grey.Value), zone.Today);
        svg.Add(
            $"<rect class=\"ho-vial\" x=\"284\" y=\"44\" width=\"26\" height=\"50\" rx=\"4\"/><g class=\"ho-bud\"><path class=\"ho-handle\" d=\"M118 4l4 0 0 24-4 0z\"/><ellipse class=\"ho-cotton\" cx=\"120\" cy=\"36\" rx=\"8\" ry=\"11\"/></g>"
        );
        return Figure("ho-dabbing", "AP9", text["A cotton bud dabs the grey hair."], svg, height: Low);
    }

    private string Mix(GuideStep step)
    {
        // The first mix is the first formula's; those after the rinse are glosses.
        bool first = guide.Steps.First(s => s.Kind == StepKind.Mix) == step;
        var formula = first ? p.Formulas[0] : p.Formulas[^1];
        bool bowl = shelf.Find(formula.Line)?.Thickness == Thickness.Cream;
        string hex = Any?.Hex ?? Natural;
        var svg = new Svg();
        if (bowl)
        {
            svg.Add(
                $"<path class=\"ho-vial\" d=\"M96 42H244L222 118H118z\"/><ellipse cx=\"170\" cy=\"62\" rx=\"66\" ry=\"15\" fill=\"{hex}\"/><g class=\"ho-stir\"><path class=\"ho-handle\" d=\"M166 4h9l-2 52h-6z\"/><path class=\"ho-bristle\" d=\"M163 52h14l-3 16h-8z\"/></g>"
            );
        }
        else
        {
            svg.Add(
                $"<g class=\"ho-shake\"><path class=\"ho-vial\" d=\"M142 44q0-10 10-10h36q10 0 10 10v70q0 8-8 8h-40q-8 0-8-8z\"/><path class=\"ho-handle\" d=\"M160 34l6-26h8l6 26z\"/><rect x=\"146\" y=\"74\" width=\"48\" height=\"44\" rx=\"4\" fill=\"{hex}\"/></g>"
            );
        }

        return Figure(
            "ho-mixing",
            bowl ? "DO10" : "DO11",
            bowl ? text["The mix is stirred in the bowl."] : text["The bottle is shaken, a finger on the nozzle."],
            svg
        );
    }

    /// <summary>The back is seen in two mirrors: one in front, one in the hand behind.</summary>
    private string Mirrors()
    {
        var svg = new Svg();
        svg.Add(
            $"<rect class=\"ho-glass\" x=\"20\" y=\"16\" width=\"10\" height=\"100\"/><circle class=\"ho-skin\" cx=\"150\" cy=\"66\" r=\"30\"/><path fill=\"{Natural}\" d=\"M138 38a30 30 0 1 1 0 56q24-28 0-56z\"/><path class=\"ho-skin\" d=\"M121 60l-9 8 9 5z\"/>"
        );
        svg.Add(
            $"<g class=\"ho-hand-mirror\"><rect class=\"ho-glass\" x=\"272\" y=\"34\" width=\"9\" height=\"58\" rx=\"3\"/><rect class=\"ho-handle\" x=\"273\" y=\"92\" width=\"7\" height=\"30\"/></g>"
        );
        svg.Add($"<path class=\"ho-sight\" pathLength=\"100\" d=\"M118 60L32 50L272 62L182 72\"/>");
        return Figure("ho-mirrors", "AP13", text["One mirror in front and one in the hand behind show the back."], svg);
    }

    /// <summary>The head leans forward; water runs through the hair, away from the face (AF2).</summary>
    private string Rinse()
    {
        string hex = Any?.Hex ?? Natural;
        var svg = new Svg();
        svg.Add(
            $"<path class=\"ho-skin\" d=\"M300 132L246 62q-10-26-40-24-24 2-30 22-3 14 6 20l8 4-4 12 12 2 4 34z\"/><path fill=\"{hex}\" d=\"M250 68q-4-40-48-36-30 4-34 30l-6 62h14l10-50q20-14 40-6z\"/>"
        );
        svg.Add($"<path class=\"ho-handle\" d=\"M196 0h22v10h-22z\"/>");
        for (int i = 0; i < 5; i++)
        {
            svg.Add($"<path class=\"ho-water\" d=\"M{198 + i * 4} 12Q{196 + i * 3} 30 {186 + i * 5} 40Q{168 + i * 2} 70 {160 + i * 4} 128\"/>");
        }

        return Figure("ho-rinsing", "AF2", text["The head leans forward and water runs through the hair until it is clear."], svg);
    }
}
