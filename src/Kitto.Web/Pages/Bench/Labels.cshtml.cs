using Kitto.Core;
using Kitto.Core.Packing;
using Kitto.Core.Trade;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Web.Bench;
using Kitto.Web.Delivery;
using Kitto.Web.Guides;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Bench;

/// <summary>The labels of a kit, one a sachet or bottle, and the paper in its box.</summary>
public sealed class LabelsModel(PublicAddress site, BenchKits bench, StockRecord stock, Studios studios, GuideLinks links, TimeProvider clock) : PageModel
{
    public KitAtBench At { get; private set; } = null!;

    /// <summary>What the client reads.</summary>
    public Language Language { get; private set; } = Language.English;

    /// <summary>Each label: its lines, and the address its code leads the studio to.</summary>
    public IReadOnlyList<(string Key, IReadOnlyList<string> Lines, string Address)> Labels { get; private set; } = [];

    /// <summary>The address of the guide, for the paper; null where no open link can be shown.</summary>
    public string? Guide { get; private set; }

    public Studio Studio { get; private set; } = null!;

    /// <summary>roll: 62 mm wide, one after another; a4: on sheets.</summary>
    public string Size { get; private set; } = "roll";

    /// <summary>Whether one label was asked for.</summary>
    public string? One { get; private set; }

    public async Task<IActionResult> OnGet(Guid id, string? vessel, string? size)
    {
        if (await bench.Open(id) is not { } at)
        {
            return NotFound();
        }

        (At, One, Studio) = (at, vessel, (await studios.Get())!);
        Size = size == "a4" ? "a4" : "roll";
        Language = Language.Of(at.Signed.Language);
        var tubes = (await stock.Of(at.Tubes)).ToDictionary(t => t.Id);
        string here = await site.Of(Request);
        Labels =
        [
            .. at
                .Stand.Vessels.Where(v => v.Vessel.Sent && (vessel is null || v.Vessel.Key == vessel))
                .Select(v => (v.Vessel.Key, Language.Label(Facts(v, tubes)), $"{here}/bench/{id}?vessel={Uri.EscapeDataString(v.Vessel.Key)}")),
        ];
        Guide = (await links.Open(id)).Select(l => links.Address(l, here)).FirstOrDefault(a => a is not null);
        return Labels.Count == 0 ? NotFound() : Page();
    }

    private LabelFacts Facts(VesselStand v, Dictionary<Guid, Tube> tubes)
    {
        var own = At.TubesOf(v).Select(tubes.GetValueOrDefault).OfType<Tube>().ToList();
        var filled = Studio.Today(v.Parts.SelectMany(p => p.Pours).Select(p => p.At).DefaultIfEmpty(At.Kit.PackedAt ?? clock.GetUtcNow().UtcDateTime).Max());
        var last = own.Select(t => t.ExpiresOn).OfType<DateOnly>().Append(filled.AddDays(Values.ShelfLifeDays)).Min();
        var holds = v.Vessel.Parts.SelectMany(p => p.From is { } from ? At.Plan.Find(from)!.Parts.Select(b => b.Item) : [p.Item]);
        return new LabelFacts(
            At.Kit.ClientName,
            At.Kit.Number,
            Studio.Name,
            Studio.Phone,
            v.Vessel,
            v.Grams > 0 ? Grams.Of((double)v.Grams).Tenths() : v.Vessel.Fill.Tenths(),
            [.. holds.Distinct()],
            At.Shelf.Find(v.Vessel.Line)?.Name ?? v.Vessel.Line,
            [.. own.Select(t => t.Number).Distinct()],
            filled,
            last
        );
    }
}
