using System.Text.Json;
using Kitto.Core.Ledger;
using Kitto.Core.Packing;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Shelves;

namespace Kitto.Web.Demo;

/// <summary>The demo's tubes and bottles, and its kits weighed out of them by the same ways as the bench takes. Lots and prices are invented.</summary>
internal sealed class DemoStock(StockCommands changes, BenchCommands bench, BenchKits kits, StockRecord stock, Studios studios, CurrentShelf shelves)
{
    /// <summary>Takes in two lots of what is mixed most, one of the rest; of a few shades hardly anything.</summary>
    public async Task Fill(DateOnly today, string by, DateTime at)
    {
        var studio = (await studios.Get())!;
        await studios.Save(
            studio with
            {
                Prices = JsonSerializer.Serialize(new Prices("GBP", 27, 20, 0.32m, 2.40m, 2.2m, 4, 0.5m), JsonSerializerOptions.Web),
            }
        );
        foreach (var place in await studios.Destinations())
        {
            await studios.SavePostage(place.Id, 2.95m + place.TransitDays * 0.80m);
        }

        int n = 0;
        foreach (var line in shelves.Now.Lines)
        {
            foreach (var shade in line.InStock)
            {
                // Of the palest beige there is hardly any: what ends is said while prescribing.
                bool usual = shade.Code != "10B" && shade.Family is Family.N or Family.NN or Family.G or Family.B;
                n++;
                await Lot(
                    line.Id,
                    shade.Code,
                    n,
                    0,
                    (decimal)line.Tube.Value,
                    line.Kind == LineKind.Gloss ? 8.40m : 7.20m,
                    usual ? 8
                        : shade.Code == "10B" ? 1
                        : 3
                );
                if (usual)
                {
                    await Lot(line.Id, shade.Code, n, 1, (decimal)line.Tube.Value, line.Kind == LineKind.Gloss ? 8.90m : 7.50m, 4);
                }
            }

            foreach (var strength in line.Developers)
            {
                n++;
                await Lot(line.Id, strength.Volume.ToString(), n, 0, 1000, 9.80m, 3);
            }
        }

        async Task Lot(string line, string item, int number, int second, decimal grams, decimal price, int tubes) =>
            await changes.Receive(
                new Lot(
                    Guid.CreateVersion7(),
                    line,
                    item,
                    $"{(second == 0 ? 'H' : 'J')}{26 - second}{number * 37 % 900 + 100}",
                    today.AddDays(200 + number % 30 * 11 + second * 240),
                    grams,
                    price,
                    today.AddDays(-120 + second * 60)
                ),
                tubes,
                by,
                at
            );
    }

    /// <summary>Weighs a kit, or some of its vessels, with a practised hand: hardly off the mark.</summary>
    /// <param name="kit">The kit.</param>
    /// <param name="by">Who.</param>
    /// <param name="at">When, UTC.</param>
    /// <param name="vessels">So many vessels; null: all, and packs it.</param>
    public async Task Weigh(Kit kit, string by, DateTime at, int? vessels = null)
    {
        var today = (await studios.Get())!.Today(at);
        var open = (await kits.Open(kit))!;
        var hand = new Random(kit.Number * 31 + kit.ClientName.Length);
        var told = new List<PackingEvent>();
        async Task Tell(PackingEvent said)
        {
            // A practised hand takes half a minute for a part.
            said = said with
            {
                At = at.AddSeconds(30 * told.Count),
            };
            if (await bench.Tell(kit, open.Plan, null, said, today) is { } refused)
            {
                throw new InvalidOperationException($"Demo kit of {kit.ClientName}: {refused}");
            }

            told.Add(said);
        }

        foreach (var vessel in open.Plan.Vessels.Take(vessels ?? int.MaxValue))
        {
            while (PackingStand.Of(open.Plan, told).Find(vessel.Key)!.Now is { } part)
            {
                var tube = part.Part.From is null ? (await stock.Tubes(vessel.Line, part.Part.Item)).FirstOrDefault(t => t.Refused(today) is null) : null;
                decimal rest = Math.Round((decimal)(part.Rest + (hand.NextDouble() - .5) * part.Band * .8), 1),
                    grams = Math.Max(.1m, tube is null ? rest : Math.Min(rest, tube.Grams));
                await Tell(new PackingEvent(Guid.CreateVersion7(), PackingKind.Poured, vessel.Key, part.Part.Item, grams, tube?.Id, By: by, At: at));
                if (tube is not null && tube.Grams <= grams)
                {
                    await changes.End(tube.Id, by, at, today);
                }
            }

            if (vessel.Sent)
            {
                await Tell(new PackingEvent(Guid.CreateVersion7(), PackingKind.Labelled, vessel.Key, By: by, At: at));
            }
        }

        if (vessels is null)
        {
            var done = (await kits.Open(kit))!;
            await bench.Pack(kit, done.Plan, told.Count, done.Packed(done.Stand), today, by, at);
        }
    }
}
