using BenchmarkDotNet.Attributes;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Developer;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Bench;

/// <summary>How long the amount takes: one head sized and weighed out, and what is believed after fifty reports.</summary>
[MemoryDiagnoser]
public class AmountSpeed
{
    private static readonly Shelf Shelf = CatalogueReader.Read(
        Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "data", "catalogue"), "*.json").Select(f => (Path.GetFileName(f), File.ReadAllText(f)))
    );

    private readonly Case example = CaseReader.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "data", "example-case.json")), Shelf).Case!;
    private readonly Line line = Shelf.Find("lantern-cream")!;
    private readonly IReadOnlyList<StrandRow> rows = Prescriber
        .Prescribe(CaseReader.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "data", "example-case.json")), Shelf).Case!, Shelf)
        .RowsOf(0);
    private readonly MixPart[] parts = [new("5N", Share.Of(.5)), new("6N", Share.Of(.25)), new("5G", Share.Of(.25))];
    private readonly Hands fifty = new(
        Who.Alone,
        true,
        [
            .. Enumerable
                .Range(0, 50)
                .Select(i => new UsedBefore(Grams.Of(48), Grams.Of(80), Grams.Of(4), Grams.Of(i % 7 == 0 ? 0 : 10 + i % 9), i % 7 == 0, i % 3 > 0, i * 35)),
        ]
    );

    private (Volume, double)[] blend = [];

    [GlobalSetup]
    public void Setup() => blend = [.. Strength.Blend(Volume.Of(20), line, Shelf)];

    /// <summary>Use of nine zones, the hands, what to send, and every part weighed out.</summary>
    [Benchmark]
    public double SizeAHead()
    {
        var reckoned = Use.Of(example.Reading, line.Thickness, rows);
        var size = Sizing.For([reckoned], HandFactor.Learned(example.Reading.Hands), .9, line.Thickness, false);
        double sum = 0;
        foreach (var portion in size.Portions)
        {
            sum += Weigh.Out(portion, parts, line.DeveloperPerColour, blend, line.Thickness, Grams.Of(.1)).ColourGrams.Value;
        }

        return sum;
    }

    [Benchmark]
    public double BelieveFiftyReports() => HandFactor.Learned(fifty).Mean;

    /// <summary>The whole way through, for comparison.</summary>
    [Benchmark]
    public int PrescribeTheExample() => Prescriber.Prescribe(example, Shelf).Because.Count;
}
