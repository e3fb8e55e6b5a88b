using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Trade;

namespace Kitto.Web.Drawing;

/// <summary>What can be moved on the strand.</summary>
public static partial class StrandDrawing
{
    /// <summary>What can be moved: the line, the end of a band, the end of a shadow's tail.</summary>
    private static void Handles(Svg svg, Reading reading, ZoneForecast? zone, Goal? goal, Func<double, double> x, double mm, double band, double tail)
    {
        double line = x(mm),
            middle = BareTop + BareHeight / 2;
        if (zone is not null)
        {
            svg.Add($"<line class=\"demarcation\" x1=\"{line}\" y1=\"{Top - 6}\" x2=\"{line}\" y2=\"{Bottom + 4}\"/>");
        }

        if (goal is null)
        {
            return;
        }

        if (reading.Hair.Band is { } faded)
        {
            Handle(
                svg,
                "band-handle",
                CaseFields.BandLengthMm.Path,
                x(band),
                AfterTop + AfterHeight / 2,
                "end of the faded band",
                mm,
                1,
                0,
                1200,
                faded.Length.Value,
                $"{faded.Length} of band"
            );
        }

        if (goal.Service == Service.RootShadow && zone is not null)
        {
            double usual = zone.Zone.Facts().ShadowTail.Value;
            double back = goal.Tail?.Value ?? Values.TailBackMm;
            // A band that is longer than the tail is painted as far as the band asks; then the tail has no end of its own to move.
            double own = mm + goal.TailAt(zone.Zone).Value;
            if (Math.Abs(own - tail) < .5)
            {
                Handle(
                    svg,
                    "tail-handle",
                    CaseFields.GoalTailMm.Path,
                    x(tail),
                    Top + NowHeight / 2,
                    "end of the shadow's tail",
                    mm,
                    Values.TailBackMm / usual,
                    10,
                    100,
                    back,
                    $"{goal.TailAt(zone.Zone)} of tail here, {back:0} mm at the back"
                );
            }
        }

        if (zone is not null)
        {
            svg.Add(
                $"<g class=\"handle\" id=\"line-handle\" role=\"slider\" tabindex=\"0\" data-zone=\"{Core.Contract.Json.Name(zone.Zone)}\" aria-label=\"line of demarcation, {Words.Studio.Term(zone.Zone)}\" aria-valuemin=\"0\" aria-valuemax=\"{Core.Contract.CaseFields.ZoneRegrowthMm.Most}\" aria-valuenow=\"{reading.Zones[(int)zone.Zone].Regrowth.Value}\" aria-valuetext=\"{reading.Zones[(int)zone.Zone].Regrowth.ToString()} of regrowth\"><circle cx=\"{line}\" cy=\"{middle}\" r=\"9\"/><path d=\"M{line - 5} {middle} l3 -3 v6 z M{line + 5} {middle} l-3 -3 v6 z\"/></g>"
            );
        }
    }

    private static void Handle(
        Svg svg,
        string id,
        string path,
        double x,
        double y,
        string label,
        double fromMm,
        double factor,
        double least,
        double most,
        double now,
        string says
    ) =>
        svg.Add(
            $"<line class=\"stretch-end\" x1=\"{x}\" y1=\"{Top - 4}\" x2=\"{x}\" y2=\"{Bottom + 4}\"/><g class=\"handle field-handle\" id=\"{id}\" role=\"slider\" tabindex=\"0\" data-path=\"{path}\" data-from=\"{fromMm}\" data-factor=\"{factor}\" aria-label=\"{label}\" aria-valuemin=\"{least}\" aria-valuemax=\"{most}\" aria-valuenow=\"{now}\" aria-valuetext=\"{says}\"><circle cx=\"{x}\" cy=\"{y}\" r=\"8\"/><path d=\"M{x - 4.5} {y} l3 -3 v6 z M{x + 4.5} {y} l-3 -3 v6 z\"/></g>"
        );
}
