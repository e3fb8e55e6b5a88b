using System.Globalization;
using System.Net;
using Kitto.Core.Packing;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Sittings;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Kitto.Web.Tests;

/// <summary>The bench, its stock and the ledger over a real database.</summary>
public sealed class BenchTests(Studio studio) : IClassFixture<Studio>
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.UtcNow);

    private static PackingEvent Pour(string vessel, string item, decimal grams, Guid? tube) =>
        new(Guid.NewGuid(), PackingKind.Poured, vessel, item, grams, tube, By: "Tove Marlin", At: DateTime.UtcNow);

    private async Task<Tube> TubeOf(string line, string item) => (await studio.Stock.Tubes(line, item)).First(t => t.Refused(Today) is null);

    /// <summary>A kit of its own, signed over the pages and waiting at the bench.</summary>
    private async Task<KitAtBench> Fresh(string name)
    {
        var colourist = await Visitor.SignedIn(studio);
        var kit = await OwnKit.Signed(studio, colourist, name);
        return (await studio.AtBench.Open(kit))!;
    }

    private async Task<(decimal Received, decimal Poured, decimal WrittenOff, decimal Counted, decimal There)> Balanced()
    {
        var b = await studio.Stock.Balance();
        Assert.Equal(b.Received + b.Counted, b.There + b.Poured + b.WrittenOff);
        return b;
    }

    [Fact]
    public async Task Whatever_is_poured_moved_undone_and_dropped_the_stock_adds_up_to_the_hundredth()
    {
        var at = await Fresh("Stella Stock");
        var before = await Balanced();
        var vessel = at.Plan.Vessels[0];
        var part = vessel.Parts[0];
        var tube = await TubeOf(vessel.Line, part.Item);
        async Task<string?> Tell(PackingEvent said) => await studio.Bench.Tell(at.Kit, at.Plan, null, said, Today);
        var pour = Pour(vessel.Key, part.Item, 3.21m, tube.Id);
        Assert.Null(await Tell(pour));
        Assert.Null(await Tell(pour));
        Assert.Equal(tube.Grams - 3.21m, (await studio.Stock.Find(tube.Code))!.Grams);
        Assert.Equal(Today, (await studio.Stock.Find(tube.Code))!.OpenedOn);
        Assert.Null(await Tell(new PackingEvent(Guid.NewGuid(), PackingKind.Undone, vessel.Key, Of: pour.Id, By: "T", At: DateTime.UtcNow)));
        Assert.Equal(tube.Grams, (await studio.Stock.Find(tube.Code))!.Grams);
        Assert.Null(await Tell(Pour(vessel.Key, part.Item, 4m, tube.Id)));
        Assert.Null(await Tell(new PackingEvent(Guid.NewGuid(), PackingKind.Dropped, vessel.Key, Says: "it fell", By: "T", At: DateTime.UtcNow)));
        var after = await Balanced();
        Assert.Equal((before.Poured, before.WrittenOff + 4m, before.There - 4m), (after.Poured, after.WrittenOff, after.There));
        // More comes out than was counted in it: it was in it.
        Assert.Null(await Tell(Pour(vessel.Key, part.Item, tube.Grams + 5, tube.Id)));
        Assert.Equal(0, (await studio.Stock.Find(tube.Code))!.Grams);
        await Balanced();
    }

    [Fact]
    public async Task A_wrong_an_expired_a_recalled_and_an_empty_tube_are_refused_with_their_reason()
    {
        var at = await Fresh("Rita Refused");
        var vessel = at.Plan.Vessels[0];
        string item = vessel.Parts[0].Item;
        var changes = studio.Services.GetRequiredService<StockCommands>();
        async Task<string?> From(Guid tube) => await studio.Bench.Tell(at.Kit, at.Plan, null, Pour(vessel.Key, item, 1, tube), Today);
        async Task<Tube> In(string number, DateOnly? expires)
        {
            string code = (await changes.Receive(new Lot(Guid.NewGuid(), vessel.Line, item, number, expires, 60, 7, Today), 1, "T", DateTime.UtcNow))[0];
            return (await studio.Stock.Find(code))!;
        }

        var other = (await studio.Stock.Tubes()).First(t => t.Line == vessel.Line && t.Item != item);
        Assert.Contains($"{item} is wanted here", await From(other.Id), StringComparison.Ordinal);
        Assert.Contains("to be used by", await From((await In("OLD1", Today.AddDays(-1))).Id), StringComparison.Ordinal);
        var bad = await In("BAD1", null);
        await changes.Recall([bad.LotId], "it burns", "T", DateTime.UtcNow);
        Assert.Contains("it burns", await From(bad.Id), StringComparison.Ordinal);
        await Assert.ThrowsAsync<ConflictException>(() => In("BAD1", null));
        var ended = await In("END1", null);
        await changes.End(ended.Id, "T", DateTime.UtcNow, Today);
        Assert.Contains("is empty", await From(ended.Id), StringComparison.Ordinal);
        Assert.Empty((await studio.AtBench.Open(at.Kit))!.Told);
        // A lot typed twice takes more of the same; with another price it is named and nothing comes in.
        var twice = new Lot(Guid.NewGuid(), vessel.Line, item, "TWICE", null, 60, 7, Today);
        Assert.Equal(
            3,
            (await changes.Receive(twice, 1, "T", DateTime.UtcNow)).Count
                + (await changes.Receive(twice with { Id = Guid.NewGuid() }, 2, "T", DateTime.UtcNow)).Count
        );
        var conflict = await Assert.ThrowsAsync<ConflictException>(() => changes.Receive(twice with { Price = 8 }, 1, "T", DateTime.UtcNow));
        Assert.Contains("7.00 each", conflict.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_people_on_one_vessel_the_second_is_told_and_two_vessels_go_side_by_side()
    {
        var at = await Fresh("Tilda Twohands");
        var (one, two) = (at.Plan.Vessels.First(v => v.Parts[0].From is null), at.Plan.Vessels.Last(v => v.Parts[0].From is null));
        Assert.Null(await studio.Bench.Tell(at.Kit, at.Plan, 0, Pour(one.Key, one.Parts[0].Item, 1, null), Today));
        Assert.Null(await studio.Bench.Tell(at.Kit, at.Plan, 0, Pour(two.Key, two.Parts[0].Item, .5m, null), Today));
        await Assert.ThrowsAsync<ConflictException>(() => studio.Bench.Tell(at.Kit, at.Plan, 0, Pour(one.Key, one.Parts[0].Item, 1, null), Today));
        // Together at once: every pour is kept once, none is lost.
        var pours = Enumerable.Range(0, 8).Select(_ => Pour(two.Key, two.Parts[0].Item, .01m, null)).ToList();
        await Task.WhenAll(pours.Concat(pours).Select(p => studio.Bench.Tell(at.Kit, at.Plan, null, p, Today)));
        Assert.Equal(.58m, (await studio.AtBench.Open(at.Kit))!.Stand.Find(two.Key)!.Grams);
        // The record is only ever added to, whoever asks.
        await Assert.ThrowsAsync<PostgresException>(() => studio.Db.Run("update bench_event set grams = 9"));
        await Assert.ThrowsAsync<PostgresException>(() => studio.Db.Run("delete from stock_move"));
    }

    [Fact]
    public async Task A_kit_is_packed_only_when_all_is_weighed_and_labelled_and_what_differs_wants_a_yes()
    {
        var at = await Fresh("Yara Yes");
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open($"/bench/{at.Kit.Id}");
        // Typed by hand, without a script: a word, too little, then what the scale shows with a comma.
        await colourist.Send("#pour-form", ("Shows", "a lot"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, colourist.Status);
        Assert.Contains("to 2000 g", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("a lot", colourist.Typed("Shows"));
        for (int i = 0; i < 80; i++)
        {
            await colourist.Open($"/bench/{at.Kit.Id}");
            var bench = colourist.Find("#bench");
            double target = double.TryParse(bench.GetAttribute("data-target"), CultureInfo.InvariantCulture, out double t) ? t : 0,
                there =
                    double.Parse(bench.GetAttribute("data-there")!, CultureInfo.InvariantCulture)
                    - double.Parse(bench.GetAttribute("data-part-there")!, CultureInfo.InvariantCulture);
            switch (bench.GetAttribute("data-stage"))
            {
                case "pour":
                    // The main developer gets a tenth too much.
                    bool thin = bench.GetAttribute("data-vessel") == "0:main:developer";
                    await colourist.Send("#pour-form", ("Shows", (there + target * (thin ? 1.1 : 1)).ToString("0.0", CultureInfo.GetCultureInfo("nb-NO"))));
                    continue;
                case "over":
                    Assert.Equal(3, colourist.FindAll(".way").Count);
                    Assert.Contains("back to the colourist", colourist.Text, StringComparison.Ordinal);
                    await colourist.Send(".way:nth-child(2) form");
                    continue;
                case "close":
                    await colourist.Send(".go-form");
                    continue;
            }

            break;
        }

        Assert.Equal("done", colourist.Find("#bench").GetAttribute("data-stage"));
        Assert.Contains("differs from the prescription", colourist.Text, StringComparison.Ordinal);
        var open = (await studio.AtBench.Open(at.Kit))!;
        await Assert.ThrowsAsync<ConflictException>(() =>
            studio.Bench.Pack(open.Kit, open.Plan, open.Told.Count, open.Packed(open.Stand), Today, "T", DateTime.UtcNow)
        );
        await colourist.Send(".agree-form", ("Says", "x"));
        Assert.Contains("3 to 300", colourist.Text, StringComparison.Ordinal);
        await colourist.Send(".agree-form", ("Says", "thin, and she likes it soft"));
        await colourist.Send("form.go-form");
        Assert.Equal($"/kits/{at.Kit.Id}", colourist.Address);
        // What was weighed is what the record goes by: more than was prescribed, and the sheet says both.
        var signed = (await studio.Kits.Frozen(at.Kit.PrescriptionId))!;
        var weighed = KitAtBench.AsWeighed(signed);
        Assert.True(weighed.Quantity!.SendGrams.Value > at.Prescription.Quantity!.SendGrams.Value + 1);
        Assert.Contains("typed", colourist.Find(".weigh").TextContent, StringComparison.Ordinal);
        await Balanced();
    }

    [Fact]
    public async Task A_lot_leads_to_every_kit_client_and_telephone_and_a_recall_stops_it()
    {
        var colourist = await Visitor.SignedIn(studio);
        var kit = await studio.KitOf("Odile");
        var at = (await studio.AtBench.Open(kit))!;
        var tube = (await studio.Stock.Of(at.Tubes))[0];
        await colourist.Open($"/ledger/recall?lot={tube.Number}");
        Assert.Contains("Odile Farrow", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("with the client", colourist.Text, StringComparison.Ordinal);
        await colourist.Send(".recall-form", ("why", "it burns"), ("write", "true"), ("off", "true"));
        Assert.Contains("recalled", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("closed", (await studio.Kits.Get(kit.Id))!.State);
        Assert.Equal(
            1,
            await studio.Db.One<int>("select count(*)::int from message where key = @key", new { key = kit.MessageKey(Core.Clock.ClientMessage.LotRecalled) })
        );
        Assert.Contains("Odile Farrow", await colourist.Download($"/ledger/recall?handler=Csv&lot={tube.Number}"), StringComparison.Ordinal);
        // By the code of a tube too; a number of nobody says so.
        Assert.Contains(tube.Number, (await colourist.Open($"/ledger/recall?lot={tube.Code}")).Text, StringComparison.Ordinal);
        Assert.Contains("No lot of that number", (await colourist.Open("/ledger/recall?lot=NOPE")).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_ledger_adds_up_to_the_cent_and_its_csv_starts_no_formula()
    {
        var colourist = await Visitor.SignedIn(studio);
        await studio.Db.Run("update client set name = '=cmd|''/c calc''!A1' where name like 'Nuala%'");
        var ledger = studio.Services.GetRequiredService<LedgerRecord>();
        var (from, to) = (Today.AddYears(-1), Today);
        var kits = await ledger.Kits(from, to);
        var groups = await ledger.Groups(from, to);
        var months = LedgerGroup.By(groups, g => g.Month);
        Assert.NotEmpty(kits);
        Assert.Equal(kits.Sum(k => k.Cost), months.Sum(m => m.Cost));
        Assert.Equal(kits.Sum(k => k.Price - k.Cost), months.Sum(m => m.Margin));
        Assert.Equal(kits.Sum(k => k.Left), months.Sum(m => m.Left));
        Assert.Equal(kits.Sum(k => k.Goods), (await ledger.ByLine(from, to)).Sum(l => l.Goods));
        Assert.Equal(kits.Sum(k => k.Price), LedgerGroup.By(groups, g => g.Service).Sum(s => s.Price));
        Assert.All(kits, k => Assert.Equal(0, k.Price % 0.5m));
        string csv = await colourist.Download("/ledger?handler=Csv");
        Assert.Contains("'=cmd", csv, StringComparison.Ordinal);
        Assert.DoesNotContain("\n=", csv.Replace(",", "\n", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.Contains("\"kitto\": \"ledger/1\"", await colourist.Download("/ledger?handler=Json"), StringComparison.Ordinal);
        Assert.Contains("Give a first and a last day", (await colourist.Open("/ledger?from=2027-01-01&to=2026-01-01")).Text, StringComparison.Ordinal);
        Assert.Contains("of the 8 kits that are needed", (await colourist.Open("/ledger")).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Forms_of_stock_line_scale_and_prices_give_back_what_was_typed_and_name_the_range()
    {
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open("/shelf/stock?line=lantern-cream&item=6N");
        await colourist.Send(".receive", ("Number", ""), ("Price", "1.234,50"), ("Count", "0"), ("PackGrams", "-3"));
        Assert.Equal(("1.234,50", "0"), (colourist.Typed("Price"), colourist.Typed("Count")));
        Assert.Contains("at most two decimals", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("1 to 500", colourist.Text, StringComparison.Ordinal);
        await colourist.Send(".receive", ("Number", "N1"), ("Price", "7,20"), ("Count", "2"), ("PackGrams", "60"), ("Code", "4006381333931"));
        Assert.Contains("2 of 6N taken in", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("6N", (await studio.Stock.Means("4006381333931"))!.Item);
        Assert.Equal(7.20m, (await studio.Stock.LotsOf("N1"))[0].Price);

        await colourist.Open("/shelf/line");
        await colourist.Send("main form", ("name", "Quay Cream"), ("developerPerColour", "9"), ("processMinutes", "soon"), ("developers", "10 20"));
        Assert.Contains("0.5 to 3", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("soon", colourist.Typed("processMinutes"));
        await colourist.Send(
            "main form",
            ("developerPerColour", "1,5"),
            ("processMinutes", "35"),
            ("processMin", "25"),
            ("processMax", "45"),
            ("workingLifeMinutes", "30"),
            ("longestContactMinutes", "60"),
            ("shade", "6N"),
            ("shade", "6NN")
        );
        Assert.Contains("Quay Cream is on the shelf", colourist.Text, StringComparison.Ordinal);
        await colourist.Open("/shelf/line/quay-cream");
        await colourist.Send("form[action*=Remove]");
        Assert.Contains("Quay Cream is off the shelf", colourist.Text, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await colourist.Open("/shelf/line/quay-cream")).Status);

        await colourist.Open("/house/scale");
        await colourist.Send("main form", ("From", "stream"), ("Address", "http://192.0.2.7:80"), ("Form", ""), ("Pattern", "(?<weight>.*)"));
        Assert.Contains("on this machine", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("group named value", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("main form", ("Address", "http://127.0.0.1:5291"), ("Form", "1"), ("Try", "S S      12.3 g"));
        Assert.Contains("That line says 12.3 g, steady", colourist.Text, StringComparison.Ordinal);

        await colourist.Open("/house/prices");
        await colourist.Send("main form", ("PerHour", "27,505"), ("RoundTo", "0"));
        Assert.Equal("27,505", colourist.Typed("PerHour"));
        Assert.Contains("From 0.01 to 100", colourist.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_shade_that_ends_is_said_while_prescribing_and_bought()
    {
        var colourist = await Visitor.SignedIn(studio);
        var id = await studio.IdOf("Lotte");
        await colourist.Open($"/clients/{id}/prescription");
        var takes = colourist.Find(".formula .why").TextContent.Trim();
        Assert.DoesNotContain($"{takes} of Lantern Cream ends", colourist.Text, StringComparison.Ordinal);
        var changes = studio.Services.GetRequiredService<StockCommands>();
        foreach (var tube in (await studio.Stock.Tubes()).Where(t => t.Item == takes))
        {
            await changes.Throw(tube.Id, "for the test", "T", DateTime.UtcNow, Today);
        }

        await Task.Delay(3100, TestContext.Current.CancellationToken);
        await colourist.Open($"/clients/{id}/prescription");
        Assert.Contains($"{takes} of Lantern Cream ends: this kit takes", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("line,item,signed_g", await colourist.Download("/shelf/stock?handler=List"), StringComparison.Ordinal);
        await Balanced();
    }
}
