using System.Text.RegularExpressions;
using Kitto.Core.Rules;
using Kitto.Core.Trade;

namespace Kitto.Core.Tests.Trade;

public sealed partial class ValuesTests
{
    private static readonly string[] Sources = ["*.cs", "*.cshtml", "*.js", "book.json"],
        Made = ["obj", "bin", "node_modules", "lib", "made"];

    [Fact]
    public void Every_number_belongs_to_a_rule_of_the_book_and_has_a_unit()
    {
        Assert.NotEmpty(Number.All);
        Assert.All(Number.All, n => Assert.True(RuleBook.Find(n.Rule) is not null && n.Unit.Length > 0, n.Name));
    }

    [Theory]
    [InlineData("SA5", "48 full hours waited")]
    [InlineData("SH6", "About a tenth of red")]
    [InlineData("TM4", "the last 5 to 10 minutes")]
    [InlineData("DO11", "1.5 g cream, 0.7 g liquid")]
    [InlineData("SV5", "by 20 to 50 mm")]
    [InlineData("RD5", "by more than 40 % is queried")]
    public void The_book_says_the_numbers_the_engine_reckons_with(string rule, string words) =>
        Assert.Contains(words, RuleBook.Find(rule)!.Says, StringComparison.Ordinal);

    [Fact]
    public void A_sentence_that_names_no_number_of_the_trade_is_refused() =>
        Assert.Throws<InvalidOperationException>(() => Number.Fill("for {NoSuchMinutes} minutes"));

    /// <summary>Numbers that would do harm, were one of two places forgotten, stand in no source but the table.</summary>
    [Theory]
    [InlineData(@"\b48 (full )?hours")]
    [InlineData(@"\b5 to 10 minutes")]
    [InlineData(@"const \w+ \w+ = 48\b")]
    public void A_number_of_the_trade_is_written_in_one_place(string pattern) =>
        Assert.Equal(
            [],
            Files().Where(f => Regex.IsMatch(Comment().Replace(File.ReadAllText(f), ""), pattern)).Select(f => Path.GetRelativePath(Bench.Root, f))
        );

    private static IEnumerable<string> Files() =>
        Sources
            .SelectMany(p => Directory.EnumerateFiles(Path.Combine(Bench.Root, "src"), p, SearchOption.AllDirectories))
            .Where(f =>
                !Made.Any(d => f.Contains($"{Path.DirectorySeparatorChar}{d}{Path.DirectorySeparatorChar}", StringComparison.Ordinal))
                && Path.GetFileName(f) != "Values.cs"
            );

    [GeneratedRegex(@"///[^\n]*|// [^\n]*")]
    private static partial Regex Comment();
}
