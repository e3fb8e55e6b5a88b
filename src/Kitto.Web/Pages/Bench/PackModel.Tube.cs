using Kitto.Store;

namespace Kitto.Web.Pages.Bench;

/// <summary>The tube that is poured from.</summary>
public sealed partial class PackModel
{
    /// <summary>The tube: the one whose code was scanned or typed, the one named, else the one to be used up first.</summary>
    private async Task Choose(string? code, Guid? named = null)
    {
        if (Part is not { Part: { From: null } part })
        {
            return;
        }

        string line = Vessel!.Vessel.Line;
        Tubes = await stock.Tubes(line, part.Item);
        Tube = Tubes.FirstOrDefault(t => t.Id == named) ?? Tubes.FirstOrDefault(t => t.Refused(Today) is null);
        if (string.IsNullOrWhiteSpace(code))
        {
            return;
        }

        code = code.Trim();
        if (
            Tubes.FirstOrDefault(t =>
                string.Equals(t.Code, code, StringComparison.OrdinalIgnoreCase) || string.Equals(t.Number, code, StringComparison.OrdinalIgnoreCase)
            ) is
            { } own
        )
        {
            Refused = own.Refused(Today);
            Tube = Refused is null ? own : Tube;
        }
        else if (await stock.Find(code) is { } other)
        {
            Refused = other.EndedAt is not null ? other.Refused(Today) : $"{other.Code} is {other.Item}; {part.Item} is wanted here.";
        }
        else if (await stock.Means(code) is { } means)
        {
            Refused =
                (means.Line, means.Item) == (line, part.Item)
                    ? Tube is null
                        ? $"No tube of {part.Item} is at hand."
                        : null
                    : $"{code} is {means.Item}; {part.Item} is wanted here.";
        }
        else if (await stock.LotsOf(code) is [var lot, ..])
        {
            Refused = lot.Item == part.Item ? $"Nothing of lot {lot.Number} is left." : $"Lot {lot.Number} is {lot.Item}; {part.Item} is wanted here.";
        }
        else
        {
            Refused = $"Nobody has said what {code} is. Take it in at the stock, or choose a tube.";
        }
    }
}
