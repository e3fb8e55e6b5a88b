using System.Text.RegularExpressions;
using System.Xml.Linq;
using NetArchTest.Rules;

namespace Kitto.Core.Tests;

/// <summary>Who may know whom, and what Core may not touch (docs: the house).</summary>
public sealed partial class ArchitectureTests
{
    [Fact]
    public void Core_depends_on_nothing_of_ours_no_framework_and_no_io()
    {
        var result = Types
            .InAssembly(typeof(Prescriber).Assembly)
            .ShouldNot()
            .HaveDependencyOnAny(
                "Kitto.Store",
                "Kitto.Web",
                "Kitto.Console",
                "Microsoft.AspNetCore",
                "Npgsql",
                "Dapper",
                "System.IO.File",
                "System.IO.Directory",
                "System.Net",
                "System.Console"
            )
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Core_reads_no_clock_and_writes_no_html()
    {
        foreach (
            string file in Directory
                .EnumerateFiles(Path.Combine(Bench.Root, "src", "Kitto.Core"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !f.Contains("/obj/", StringComparison.Ordinal))
        )
        {
            Assert.DoesNotMatch(ForbiddenInCore(), File.ReadAllText(file));
        }
    }

    [Theory]
    [InlineData("Kitto.Core", "")]
    [InlineData("Kitto.Store", "Kitto.Core")]
    [InlineData("Kitto.Pictures", "Kitto.Core")]
    [InlineData("Kitto.Camera", "Kitto.Core")]
    [InlineData("Kitto.Web", "Kitto.Store Kitto.Pictures Kitto.Camera")]
    [InlineData("Kitto.Console", "Kitto.Core")]
    public void Projects_refer_only_downwards(string project, string allowed)
    {
        var xml = XDocument.Load(Path.Combine(Bench.Root, "src", project, project + ".csproj"));
        var refers = xml.Descendants("ProjectReference").Select(r => Path.GetFileNameWithoutExtension((string)r.Attribute("Include")!));
        Assert.Equal(allowed.Split(' ', StringSplitOptions.RemoveEmptyEntries), refers);
    }

    [Fact]
    public void Pictures_are_opened_in_their_own_process_alone() =>
        Assert.DoesNotContain(
            Directory
                .EnumerateFiles(Path.Combine(Bench.Root, "src"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/Kitto.Pictures/", StringComparison.Ordinal)),
            f =>
                File.ReadAllText(f) is var text
                && (text.Contains("OpenCvSharp", StringComparison.Ordinal) || text.Contains("CardFinder", StringComparison.Ordinal))
        );

    [GeneratedRegex(@"DateTime(Offset)?\.(Utc)?Now|DateOnly\.FromDateTime|TimeProvider|Random\(|</?(div|span|p|svg|b)>")]
    private static partial Regex ForbiddenInCore();

    [Fact]
    public void A_file_is_read_in_one_sitting_and_a_page_model_at_a_glance()
    {
        foreach (string file in Directory.EnumerateFiles(Path.Combine(Bench.Root, "src"), "*.cs", SearchOption.AllDirectories).Where(Ours))
        {
            int most = file.EndsWith(".cshtml.cs", StringComparison.Ordinal) ? 200 : 300;
            int lines = File.ReadLines(file).Count();
            Assert.True(lines <= most, $"{Path.GetRelativePath(Bench.Root, file)} has {lines} lines; at most {most}.");
        }

        static bool Ours(string file) => !file.Split(Path.DirectorySeparatorChar).Any(part => part is "obj" or "bin" or "node_modules");
    }
}
