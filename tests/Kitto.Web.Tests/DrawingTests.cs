using System.Globalization;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Tests;
using Kitto.Web.Drawing;
using Kitto.Web.Sittings;

namespace Kitto.Web.Tests;

/// <summary>Drawings carry numbers: what is drawn is what was reckoned.</summary>
public sealed class DrawingTests
{
    private static Shelf Shelf => Project.Shelf;

    private static (Case Case, Prescription Prescription) Example(Func<Case, Case>? with = null)
    {
        var c = CaseReader.Read(File.ReadAllText(Path.Combine(Project.Root, "docs", "formats", "example-case.json")), Shelf).Case!;
        c = with?.Invoke(c) ?? c;
        return (c, Prescriber.Prescribe(c, Shelf));
    }

    private static IElement Parse(string svg) => new HtmlParser().ParseDocument(svg).Body!.FirstElementChild!;

    private static double Number(IElement of, string attribute) => double.Parse(of.GetAttribute(attribute)!, CultureInfo.InvariantCulture);

    [Fact]
    public void The_strand_shows_the_engines_own_colours_and_nothing_else()
    {
        var (c, p) = Example();
        foreach (var zone in p.Forecast.PerZone)
        {
            var svg = Parse(StrandDrawing.Draw(p, c.Reading, zone.Zone));
            var drawn = svg.QuerySelectorAll(".fibre").Select(f => f.GetAttribute("stroke")!).ToHashSet();
            var reckoned = new[] { zone.Today, zone.Lifted, zone.After }
                .SelectMany(f => new[] { f.White?.Hex, f.Pigmented?.Hex })
                .Append(p.Forecast.Lengths!.Hex)
                .Append(p.Forecast.LengthsToday!.Hex)
                .OfType<string>()
                .ToHashSet();
            Assert.Subset(reckoned, drawn);
            Assert.Contains(zone.After.Pigmented!.Hex, drawn);
            Assert.Contains(zone.Lifted.Pigmented!.Hex, drawn);
            Assert.Contains(p.Forecast.Target!.Hex, svg.OuterHtml, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(0.25, 3)]
    [InlineData(0.5, 6)]
    [InlineData(1, 12)]
    public void White_fibres_are_as_many_as_the_share_says(double grey, int white)
    {
        var (c, p) = Example(c =>
            c with
            {
                Reading = c.Reading with { Zones = [.. c.Reading.Zones.Select(z => z with { Grey = Share.Of(grey), Resistant = false })] },
            }
        );
        var zone = p.Forecast.PerZone[0];
        var svg = Parse(StrandDrawing.Draw(p, c.Reading, zone.Zone));
        // In the row of today, left of the line: one move a fibre.
        int drawn = zone.Today.White is { } look
            ? svg.QuerySelectorAll($".fibre[stroke='{look.Hex}']").Select(f => f.GetAttribute("d")!.Count(ch => ch == 'M')).FirstOrDefault()
            : 0;
        Assert.Equal(white, drawn);
    }

    [Fact]
    public void The_line_of_demarcation_stands_where_the_ruler_says()
    {
        foreach (double mm in new[] { 3.0, 14, 60, 250 })
        {
            var (c, p) = Example(c =>
                c with
                {
                    Reading = c.Reading with { Zones = [.. c.Reading.Zones.Select(z => z with { Regrowth = Millimetres.Of(mm) })] },
                }
            );
            var svg = Parse(StrandDrawing.Draw(p, c.Reading, Zone.Nape, c.Goal));
            double at = Number(svg.QuerySelector(".demarcation")!, "x1");
            Assert.Equal(mm, (at - Number(svg, "data-left")) * Number(svg, "data-mm"), 0.1);
            Assert.Equal(mm, Number(svg.QuerySelector("#line-handle")!, "aria-valuenow"));
            Assert.All(
                svg.QuerySelectorAll(".tick-number").Where(t => double.TryParse(t.TextContent, out _)),
                t =>
                    Assert.Equal(
                        double.Parse(t.TextContent, CultureInfo.InvariantCulture),
                        (Number(t, "x") - Number(svg, "data-left")) * Number(svg, "data-mm"),
                        0.1
                    )
            );
        }
    }

    [Fact]
    public void A_gloss_has_no_line_and_a_band_of_its_own()
    {
        var (c, p) = Example(c =>
            c with
            {
                Goal = c.Goal with { Service = Service.Gloss },
                Reading = c.Reading with { Hair = c.Reading.Hair with { Band = new Band(Millimetres.Of(60), Level.Of(7), new Tone(Family.G)) } },
            }
        );
        var svg = Parse(StrandDrawing.Draw(p, c.Reading, Zone.Nape, c.Goal));
        Assert.Null(svg.QuerySelector("#line-handle"));
        Assert.Contains(p.Forecast.BandToday!.Hex, svg.QuerySelectorAll(".fibre").Select(f => f.GetAttribute("stroke")));
        Assert.Contains(p.Forecast.Band!.Hex, svg.QuerySelectorAll(".fibre").Select(f => f.GetAttribute("stroke")));
    }

    [Fact]
    public void A_shadow_shows_every_stretch_with_what_is_done_to_it_and_its_handles_stand_where_the_rows_end()
    {
        var (c, p) = Example(c =>
            c with
            {
                LineId = null,
                Goal = c.Goal with
                {
                    Service = Service.RootShadow,
                    Level = Level.Of(5),
                    Tone = Tone.Neutral,
                    Lengths = new LengthsGoal(Level.Of(8), new Tone(Family.B)),
                },
                Reading = c.Reading with
                {
                    Hair = c.Reading.Hair with
                    {
                        Lengths = c.Reading.Hair.Lengths with { Level = Level.Of(8), History = LengthHistory.Lightened },
                        Band = new Band(Millimetres.Of(30), Level.Of(7), new Tone(Family.G)),
                    },
                },
            }
        );
        var svg = Parse(StrandDrawing.Draw(p, c.Reading, Zone.Nape, c.Goal));
        var rows = p.Strand.Single(z => z.Zone == Zone.Nape).Stretches;
        double Mm(string id) => (Number(svg.QuerySelector(id + " circle")!, "cx") - Number(svg, "data-left")) * Number(svg, "data-mm");
        Assert.Equal(rows.Single(r => r.Stretch == Kitto.Core.Strand.Stretch.Band).ToMm, Mm("#band-handle"), 0.1);
        Assert.Equal(rows.Last(r => r.Does == Kitto.Core.Strand.Does.Blend).ToMm, Mm("#tail-handle"), 0.1);
        Assert.Equal(rows.Last(r => r.Regrowth).ToMm, Mm("#line-handle"), 0.1);
        string words = string.Join(" ", svg.QuerySelectorAll(".does-words").Select(t => t.TextContent));
        Assert.Contains("toned", words, StringComparison.Ordinal);
        Assert.All(
            rows,
            r =>
                Assert.Contains(
                    $"{Words.Sentence(Words.Studio.Term(r.Stretch))} {r.FromMm:0} to {r.ToMm:0} mm: {Words.Studio.Term(r.Does)}",
                    svg.GetAttribute("aria-label")!,
                    StringComparison.Ordinal
                )
        );
    }

    [Theory]
    [InlineData("5N:1")]
    [InlineData("5N:0.8 5AG:0.2")]
    [InlineData("6N:0.333 6G:0.333 5R:0.334")]
    public void Borders_in_the_bowl_stand_where_the_shares_end(string mix)
    {
        MixPart[] parts =
        [
            .. mix.Split(' ').Select(p => p.Split(':')).Select(p => new MixPart(p[0], Share.Of(double.Parse(p[1], CultureInfo.InvariantCulture)))),
        ];
        var (_, p) = Example(c => c with { Formula = new GivenFormula(FormulaUse.Roots, parts, null, HandMade: true) });
        Assert.Equal(mix, BowlDrawing.Written(p.Formulas[0].Mix()));
        var grips = Parse(BowlDrawing.Draw(p, move: true)).QuerySelectorAll(".part-grip").ToList();
        Assert.Equal(parts.Length - 1, grips.Count);
        double share = 0;
        for (int i = 0; i < grips.Count; i++)
        {
            share += parts[i].Share.Value;
            double turn = (Math.Atan2(Number(grips[i], "cx") - 110, 110 - Number(grips[i], "cy")) / (2 * Math.PI) + 1) % 1;
            Assert.Equal(share, turn, .005);
        }

        Assert.Empty(Parse(BowlDrawing.Draw(p)).QuerySelectorAll("[role=slider]"));
    }

    [Fact]
    public void Two_mixes_stand_in_the_bowl_with_a_wall_between_and_each_gram_takes_as_much_room()
    {
        var (_, p) = Example(c => c with { Goal = c.Goal with { Service = Service.RootAndGloss } });
        Assert.Equal(2, p.Formulas.Count);
        var svg = Parse(BowlDrawing.Draw(p));
        Assert.Equal(2, svg.QuerySelectorAll(".bowl-across").Length);
        Assert.Equal(p.Formulas.Select(f => f.Developer.Volume.ToString()), svg.QuerySelectorAll(".bowl-volume").Select(t => t.TextContent));
        double outer = Number(svg.QuerySelector(".bowl-developer")!, "r");
        double perGram = Math.PI * outer * outer / p.Formulas.Sum(f => f.Parts.Sum(x => x.Grams.Value) + f.Developer.Grams.Value);
        var wedges = svg.QuerySelectorAll(".bowl-part")
            .Select(w =>
                System
                    .Text.RegularExpressions.Regex.Matches(w.GetAttribute("d")!, "[0-9.]+")
                    .Select(n => double.Parse(n.Value, CultureInfo.InvariantCulture))
                    .ToArray()
            );
        foreach (var (n, part) in wedges.Zip(p.Formulas.SelectMany(f => f.Parts)))
        {
            // M centre L x1 y1 A r r 0 large 1 x2 y2
            double turn = (Math.Atan2(n[9] - 110, 110 - n[10]) - Math.Atan2(n[2] - 110, 110 - n[3]) + 4 * Math.PI) % (2 * Math.PI);
            Assert.Equal(part.Grams.Value * perGram, turn * n[4] * n[4] / 2, part.Grams.Value * perGram * .01);
        }

        Assert.Empty(Parse(BowlDrawing.Draw(Example().Prescription)).QuerySelectorAll(".bowl-across"));
    }

    [Fact]
    public void The_answers_tray_begins_with_the_mix_that_is_weighed_out()
    {
        var (c, p) = Example();
        var answer = new Answer(c, p, [], Shelf);
        Assert.Equal(p.Formulas[0].Parts.Select(x => x.Shade), answer.Mixes[0].Parts.Select(x => x.Shade));
        Assert.Equal(p.Forecast.DeltaE, answer.Mixes[0].DeltaE);
        Assert.Equal(p.Alternatives.Count + 1, answer.Mixes.Count);
        Assert.DoesNotContain(answer.Addable, s => answer.Mixes[0].Parts.Any(x => x.Shade == s));
        Assert.Null(p.Forecast.GreenA);
        var forced = Example(c => c with { Formula = new GivenFormula(FormulaUse.Roots, [new MixPart("5AG", Share.Of(1))], null, HandMade: true) });
        Assert.True(forced.Prescription.Forecast.GreenA < 0);
    }
}
