using System.Diagnostics;
using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>Forecast and search over the largest line, timed on one thread, and the search held against the plain exhaustive one on the same heads in the same run.</summary>
public static class ColourSpeed
{
    private const int Runs = 41;

    internal static readonly Shelf Shelf = CatalogueReader.Read(
        Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "data", "catalogue"), "*.json").Select(f => (Path.GetFileName(f), File.ReadAllText(f)))
    );

    /// <summary>Heads that ask the search for different things: name, natural level, white in percent (temples, rest), wish, texture.</summary>
    private static readonly (string Says, double Natural, double Temples, double Others, double Level, string Tone, Core.Quantity.Who Who)[] Heads =
    [
        ("white, temples resistant, 5N", 5, 80, 40, 5, "N", Core.Quantity.Who.Alone),
        ("no white, 6AB", 5, 0, 0, 6, "AB", Core.Quantity.Who.Trained),
        ("no white, 5N", 5, 0, 0, 5, "N", Core.Quantity.Who.Alone),
        ("a fifth white, 6G", 6, 20, 20, 6, "G", Core.Quantity.Who.Helper),
        ("a third white, 7C", 6, 40, 30, 7, "C", Core.Quantity.Who.Alone),
        ("all white, 5N", 5, 100, 100, 5, "N", Core.Quantity.Who.Alone),
        ("white, 8B", 7, 90, 70, 8, "B", Core.Quantity.Who.Helper),
        ("dark, 3N", 2, 30, 10, 3, "N", Core.Quantity.Who.Alone),
        ("light, 9V", 8, 10, 5, 9, "V", Core.Quantity.Who.Trained),
    ];

    public static bool Run(TextWriter to, bool exhaustive)
    {
        var line = Shelf.Find("lantern-cream")!;
        to.WriteLine(
            $"{line.Name}: {line.Shades.Count(s => !s.Concentrate)} shades and {line.Shades.Count(s => s.Concentrate)} concentrates; medians of {Runs}, one thread"
        );
        to.WriteLine(
            exhaustive ? "| head | forecast us | search ms | forecast | exhaustive | times faster | same |" : "| head | forecast us | search ms | looked at |"
        );
        to.WriteLine(exhaustive ? "|---|---|---|---|---|---|---|" : "|---|---|---|---|");
        bool same = true;
        // Until everything is compiled as well as it will be, nothing is timed.
        foreach (var head in Heads.Concat(Heads))
        {
            var (canvas, rules, forecast) = Set(head, line);
            for (int i = 0; i < 400; i++)
            {
                forecast();
                if (i % 40 == 0)
                {
                    MixSearch.Best(canvas(), rules);
                }
            }
        }

        foreach (var head in Heads)
        {
            var (canvas, rules, forecast) = Set(head, line);
            var found = MixSearch.Best(canvas(), rules);
            double forecastUs = Median(() => forecast()) * 1000,
                searchMs = Median(() => MixSearch.Best(canvas(), rules));
            string row = $"| {head.Says} | {forecastUs:0.0} | {searchMs:0.0} | {found.LookedAt} |";
            if (exhaustive)
            {
                long from = Stopwatch.GetTimestamp();
                var (all, looked) = Exhaustive.Best(canvas(), rules);
                double ms = Stopwatch.GetElapsedTime(from).TotalMilliseconds;
                bool equal = Say(found.Best) == Say(all);
                same &= equal;
                row += $" {looked} in {ms:0} | {ms / searchMs:0} | {(equal ? "yes" : "NO")} |";
            }

            to.WriteLine(row);
            foreach (var f in found.Others.Prepend(found.Best).OfType<Found>())
            {
                to.WriteLine($"    {MixPart.Written(f.Parts)}: dE {f.DeltaE:0.000}{(f.Breach == 0 ? "" : $", {f.Breach}")}");
            }
        }

        return same;
    }

    /// <summary>Parts, shares and difference to nine decimals.</summary>
    private static string Say(Found? f) =>
        f is null
            ? "none"
            : $"{string.Join(" ", f.Parts.OrderBy(p => p.Shade, StringComparer.Ordinal).Select(p => $"{p.Shade}:{p.Share.Value:0.0000}"))} {f.DeltaE:0.000000000} {f.Breach}";

    private static (Func<ApplicationTarget> ApplicationTarget, MixRules Rules, Action Forecast) Set(
        (string, double Natural, double Temples, double Others, double Level, string Tone, Core.Quantity.Who Who) head,
        Line line
    )
    {
        var read = CaseReader.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "data", "example-case.json")), Shelf).Case!;
        bool Temple(int zone) => zone is (int)Zone.LeftTemple or (int)Zone.RightTemple;
        var tone = Tone.TryParse(head.Tone, out var found) ? found : throw new InvalidOperationException(head.Tone);
        read = read with
        {
            LineId = line.Id,
            Goal = new Goal(Service.RootTouchUp, Level.Of(head.Level), tone, null),
            Reading = read.Reading with
            {
                Hair = read.Reading.Hair with { NaturalLevel = Level.Of(head.Natural) },
                Hands = new Core.Quantity.Hands(head.Who, false, []),
                Zones =
                [
                    .. read.Reading.Zones.Select(
                        (z, i) => z with { Grey = Share.Of((Temple(i) ? head.Temples : head.Others) / 100), Resistant = Temple(i) && head.Temples >= 80 }
                    ),
                ],
            },
        };
        var laid = Prescriber.Lay(read, Shelf, [])!;
        var formula = laid.Strand.Formulas[0];
        ApplicationTarget Make() => ApplicationTarget.Of(formula, 0, laid.Strand, laid.Case.Reading, laid.Soften, default);
        MixPart[] mix = [new("5N", Share.Of(.5)), new("6G", Share.Of(.3)), new("0B", Share.Of(.1)), new("6C", Share.Of(.1))];
        return (Make, laid.Rules(0), () => Make().Look(new Mixture(line, formula.Developer, mix)));
    }

    /// <summary>Median of a run, ms, when everything is compiled as well as it will be.</summary>
    internal static double Median(Action run)
    {
        for (int i = 0; i < 40; i++)
        {
            run();
        }

        double[] times = new double[Runs];
        for (int i = 0; i < Runs; i++)
        {
            long from = Stopwatch.GetTimestamp();
            run();
            times[i] = Stopwatch.GetElapsedTime(from).TotalMilliseconds;
        }

        return times.Order().ElementAt(Runs / 2);
    }
}
