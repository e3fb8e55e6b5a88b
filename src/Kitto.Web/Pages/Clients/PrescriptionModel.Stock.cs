using Kitto.Core;
using Kitto.Core.Packing;

namespace Kitto.Web.Pages.Clients;

/// <summary>What the shelf has of what is prescribed.</summary>
public sealed partial class PrescriptionModel
{
    /// <summary>Says what of this kit the shelf has too little of, before it is missing at the bench.</summary>
    private async Task LookAtStock()
    {
        if (Answer is { Prescription: { Decision: Decision.Kit } p, Case: { } read })
        {
            var takes = StockNeeds.Takes(PackingPlan.Of(p, shelf, read.House.ScaleStep));
            Answer = Answer with { Ends = StockNeeds.Ends(takes, await stock.Of(Record.Today, Record.Client.Id, typing: true), shelf) };
        }
    }
}
