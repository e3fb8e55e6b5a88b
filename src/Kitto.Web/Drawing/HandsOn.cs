using Kitto.Core;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Drawing;

/// <summary>
/// What hands do at a step of a guide, as a moving drawing of this head: its colours, its white, its density and thickness, where the colour stops.
/// The style sheet moves it; where nothing is to move it shows the end. The phone turns it for a left hand and curls the hair.
/// </summary>
/// <param name="guide">The guide.</param>
/// <param name="read">The case it was made from.</param>
/// <param name="p">Its prescription.</param>
/// <param name="shelf">What it is mixed from.</param>
/// <param name="text">Words of the client's pages.</param>
public sealed partial class HandsOn(Guide guide, Case read, Prescription p, Shelf shelf, IStringLocalizer text)
{
    private const double Scalp = 14,
        Line = 190,
        Top = 34,
        Thick = 36,
        Low = 104;

    private static readonly Zone[] Behind = [Zone.Crown, Zone.LeftBack, Zone.RightBack, Zone.Nape];

    private readonly bool combed = p.Formulas[0].Use == FormulaUse.Lengths;

    /// <summary>The drawings of a step; empty where hands do nothing that could be shown.</summary>
    public string Of(GuideStep step) =>
        step.Kind switch
        {
            StepKind.Prepare => step.Rules?.Contains("AP9") == true ? Dab() : Parting(),
            StepKind.Mix => Mix(step),
            StepKind.Paint when step.Zone is { } zone => (combed ? Comb(zone) : Section(zone, step.Scalp))
                + (
                    zone == Zone.FrontHairline && !combed ? Hairline()
                    : Behind.Contains(zone) ? Mirrors()
                    : ""
                ),
            StepKind.Wait => Mirrors(),
            StepKind.Lengths => Comb(guide.Steps.FirstOrDefault(s => s.Zone is not null)?.Zone ?? Zone.Crown),
            StepKind.Rinse => Rinse(),
            _ => "",
        };

    private static string Figure(string kind, string rule, string label, Svg drawn, string caption = "", double height = 132)
    {
        var svg = new Svg()
            .Add(
                $"<figure class=\"hands-on {kind}\" data-rule=\"{rule}\"><svg viewBox=\"0 0 340 {height}\" role=\"img\" aria-label=\"{label}\"><rect class=\"mat\" width=\"340\" height=\"{height}\"/>"
            )
            .Add(drawn)
            .Add($"</svg>");
        return (caption.Length > 0 ? svg.Add($"<figcaption>{caption}</figcaption>") : svg).Add($"</figure>").ToString();
    }

    /// <summary>A parting that is taken, painted on top, turned, painted underneath, and stopped where this head asks for it.</summary>
    private string Section(Zone zone, bool scalpTurn)
    {
        var seen = p.Forecast.PerZone.FirstOrDefault(z => z.Zone == zone);
        if (seen is null || p.Forecast.LengthsToday is not { } lengths)
        {
            return "";
        }

        var here = read.Reading.Zones[(int)zone];
        bool grown = p.Clock!.InTwo(zone) && !scalpTurn;
        var tail = p.RowsOf(0).Where(r => r.Zone == zone && r.Does == Does.Blend).ToList();
        bool shadow = tail.Count > 0;
        bool underFirst = read.House.Way<PartingFace>() == PartingFace.UndersideFirst;
        string span =
            scalpTurn ? "at-scalp"
            : grown ? "off-scalp"
            : shadow ? "with-tail"
            : "whole";
        var (from, to) = scalpTurn ? (Scalp, 62.0) : (grown ? 62.0 : Scalp, shadow ? Line : Line - 10);
        var svg = new Svg();
        svg.Add($"<rect class=\"scalp\" width=\"{Scalp}\" height=\"{Low}\"/><g class=\"ho-turn\"><g>");
        Hair(svg, Scalp, Line, here.Grey.Value, seen.Today);
        Hair(svg, Line, End, 0, StrandDrawing.Plain(lengths));
        svg.Add($"</g>");
        double coat = here.Resistant || here.Grey.Value >= .5 ? 12 : 8;
        foreach (var (side, y) in new[] { (underFirst ? "second" : "first", Top + 4), (underFirst ? "first" : "second", Top + Thick - 4) })
        {
            svg.Add($"<path class=\"ho-coat {side}\" pathLength=\"100\" stroke=\"{seen.Hex}\" stroke-width=\"{coat}\" d=\"M{from} {y}H{to}\"/>");
            if (shadow)
            {
                svg.Add(
                    $"<path class=\"ho-coat ho-tail {side}\" pathLength=\"100\" stroke=\"{seen.Hex}\" stroke-width=\"5\" stroke-opacity=\".45\" d=\"M{to} {y}h44\"/>"
                );
            }
        }

        svg.Add($"</g><line class=\"demarcation\" x1=\"{Line}\" y1=\"{Top - 16}\" x2=\"{Line}\" y2=\"{Top + Thick + 16}\"/>");
        if (!shadow && !scalpTurn)
        {
            svg.Add($"<path class=\"ho-stop\" d=\"M{Line - 10} {Top - 14}v-8M{Line - 10} {Top + Thick + 14}v8\"/>");
        }

        svg.Add(
            $"<g class=\"ho-brush {span}\"><path class=\"ho-bristle\" d=\"M{from} {Top + 6}l-4-14h14z\"/><path class=\"ho-handle\" d=\"M{from} {Top - 8}h7l7-26h-8z\"/></g>"
        );
        string mm = Words.Client.Number(here.Regrowth.Value) + " mm";
        string says =
            scalpTurn ? text["the first 12 mm"]
            : grown ? text["from 12 mm away from the scalp"]
            : shadow ? text["{0} of new hair, then {1} mm with less and less", mm, Words.Client.Number(tail.Sum(r => r.ToMm - r.FromMm), 0)]
            : text["{0} of new hair: stop before your old colour", mm];
        return Figure("ho-section", shadow ? "SV1" : "DO6", text["A section is painted on one side, turned over and painted on the other."], svg, says, Low);
    }

    /// <summary>Where the drawn hair ends: short hair shows its ends.</summary>
    private double End => Math.Clamp(Line + 4 + read.Reading.Hair.LengthCm * 5, Line + 30, 340);

    /// <summary>Fibres of this head, straight and curled; the page shows one of the two.</summary>
    private void Hair(Svg svg, double from, double to, double grey, Fibres seen)
    {
        int fibres = read.Reading.Hair.Density switch
        {
            Density.Low => 6,
            Density.High => 11,
            _ => 8,
        };
        double each = Thick / fibres,
            width =
                each
                * read.Reading.Hair.Texture switch
                {
                    Texture.Fine => .5,
                    Texture.Coarse => .95,
                    _ => .72,
                };
        for (int i = 0; i < fibres; i++)
        {
            bool white = StrandDrawing.IsWhite(i, grey);
            var look = white ? seen.White ?? seen.Pigmented : seen.Pigmented ?? seen.White;
            if (look is null)
            {
                continue;
            }

            double y = Top + (i + .5) * each;
            svg.Add(
                $"<path class=\"fibre ho-straight\" stroke=\"{look.Hex}\" stroke-width=\"{width}\" d=\"M{from} {y}Q{(from + to) / 2} {y + 3} {to} {y + (to > Line ? 5 : 0)}\"/>"
            );
            svg.Add($"<path class=\"fibre ho-curly\" stroke=\"{look.Hex}\" stroke-width=\"{width}\" d=\"M{from} {y}");
            double side = 5;
            for (double at = from; at < to; at += 22)
            {
                double step = Math.Min(22, to - at);
                svg.Add($"q{step / 2} {side} {step} 0");
                side = -side;
            }

            svg.Add($"\"/>");
        }
    }

    private string Comb(Zone zone)
    {
        var seen = p.Forecast.PerZone.FirstOrDefault(z => z.Zone == zone) ?? Any;
        if (seen is null || p.Forecast.LengthsToday is not { } lengths)
        {
            return "";
        }

        var after = p.Forecast.Lengths ?? lengths;
        var svg = new Svg();
        svg.Add($"<rect class=\"scalp\" width=\"{Scalp}\" height=\"{Low}\"/>");
        Hair(svg, Scalp, Line, read.Reading.Zones[(int)seen.Zone].Grey.Value, seen.Today);
        Hair(svg, Line, End, 0, StrandDrawing.Plain(lengths));
        svg.Add(
            $"<path class=\"ho-gloss\" pathLength=\"100\" stroke=\"{after.Hex}\" stroke-width=\"{Thick}\" d=\"M{Scalp} {Top + Thick / 2}H{End}\"/><g class=\"ho-comb\"><path class=\"ho-handle\" d=\"M20 {Top - 22}h10v{Thick + 36}h-10z\"/>"
        );
        for (double y = Top - 14; y < Top + Thick + 8; y += 6)
        {
            svg.Add($"<path class=\"ho-tooth\" d=\"M30 {y}h14\"/>");
        }

        return Figure("ho-combing", "AP12", text["A comb goes through from the root to the ends."], svg.Add($"</g>"), height: Low);
    }
}
