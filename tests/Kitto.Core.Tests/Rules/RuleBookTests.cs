using System.Text.RegularExpressions;
using CsCheck;
using Kitto.Core.Rules;
using Kitto.Core.Trade;

namespace Kitto.Core.Tests.Rules;

public sealed partial class RuleBookTests
{
    private static readonly string[] Sources =
    [
        .. Directory
            .EnumerateFiles(Path.Combine(Bench.Root, "src"), "*.*", SearchOption.AllDirectories)
            .Where(f => f.EndsWith(".cs", StringComparison.Ordinal) || f.EndsWith(".cshtml", StringComparison.Ordinal))
            .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal))
            .Select(File.ReadAllText),
    ];

    [Fact]
    public void Every_rule_of_the_book_is_named_by_the_code_that_does_it()
    {
        // By name: in the sentence it gives, or beside the constant that holds it.
        var used = Sources.SelectMany(s => Named().Matches(s).Select(m => m.Value)).ToHashSet();
        Assert.DoesNotContain(RuleBook.All.Select(r => r.Id), id => !used.Contains(id));
        Assert.All(used, id => Assert.True(RuleBook.Find(id) is not null, $"{id} is no rule of the book"));
    }

    [Fact]
    public void Every_rule_the_engine_names_is_in_the_book() =>
        Bench.Cases.Sample(
            c =>
                Prescriber.Prescribe(c, Bench.Shelf) is var p
                && p.Because.All(b => RuleBook.Find(b.Rule) is not null)
                && p.Advice.SelectMany(a => a.Because).All(id => RuleBook.Find(id) is not null),
            iter: 100
        );

    [Fact]
    public void The_book_is_whole()
    {
        Assert.Equal(RuleBook.All.Count, RuleBook.All.Select(r => r.Id).Distinct().Count());
        Assert.All(RuleBook.All, r => Assert.Matches("^(RD|SV|SH|DV|DO|BE|AP|TM|AF|OU|SA)[0-9]{1,2}$", r.Id));
        Assert.All(RuleBook.All, r => Assert.True(r.Says.Length > 20 && r.Area.Length > 3));
        Assert.All(
            RuleBook.All.Where(r => r.Options is not null),
            r => Assert.True(r.Because!.Length > 10 && r.Options!.Count >= 2 && r.Options.Select(o => o.Name).Distinct().Count() == r.Options.Count)
        );
        Assert.Equal(17, Schools.Options.Count);
    }

    [Fact]
    public void A_stop_has_no_switch()
    {
        Assert.All(RuleBook.All.Where(r => r.Kind == RuleKind.Stop), r => Assert.Null(r.Options));
        string[] stops = ["SA1", "SA2", "SA3", "SA4", "SA6", "SA7", "SA8", "SA9", "SA10", "SA11"];
        Assert.All(stops, id => Assert.Equal(RuleKind.Stop, RuleBook.Find(id)!.Kind));
    }

    [Theory]
    [InlineData("DV3", "DV3")]
    [InlineData("ash white", "SH6")]
    [InlineData("stop strand", "SA6")]
    [InlineData("ammonia", null)]
    public void Rules_are_found_by_their_words(string text, string? id)
    {
        var found = RuleBook.Search(text).Select(r => r.Id).ToList();
        Assert.True(id is null ? found.Count == 0 : found.Contains(id));
    }

    /// <summary>Volume is litres of oxygen from a litre of solution: 2 H2O2 -> 2 H2O + O2, molar masses 34.015 g, a mole of gas 22.414 l (published chemistry).</summary>
    [Theory]
    [InlineData(10, 3)]
    [InlineData(20, 6)]
    [InlineData(30, 9)]
    [InlineData(40, 12)]
    public void Volume_and_percent_agree_with_the_stoichiometry(double volume, double percent)
    {
        double gramsPerLitre = volume / 22.414 * 2 * 34.015;
        Assert.Equal(percent, Volume.Of(volume).Percent, 9);
        Assert.InRange(gramsPerLitre / (percent * 10), 1 - .02, 1 + .02);
    }

    [GeneratedRegex(@"\b(RD|SV|SH|DV|DO|BE|AP|TM|AF|OU|SA)[0-9]{1,2}\b")]
    private static partial Regex Named();
}
