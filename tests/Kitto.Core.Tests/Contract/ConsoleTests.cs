using System.Diagnostics;
using System.Text.Json.Nodes;

namespace Kitto.Core.Tests.Contract;

/// <summary>The console as a user meets it: a process, its exit code, its output.</summary>
public sealed class ConsoleTests
{
    private static readonly string Case = Bench.PlainJson().ToJsonString();

    [Fact]
    public async Task A_case_on_standard_input_is_answered_with_one_document()
    {
        var (exit, answer, errors) = await Run(["prescribe", "-"], Case);
        Assert.Equal((0, ""), (exit, errors));
        Assert.Equal("prescription/1", (string?)JsonNode.Parse(answer)!["kitto"]);
    }

    [Theory]
    [InlineData("{", "$")]
    [InlineData("{\"kitto\":\"case/1\"}", "client")]
    [InlineData("AGE", "client.ageYears")]
    [InlineData("[1,2]", "$")]
    [InlineData("not json at all", "$")]
    public async Task Broken_input_exits_2_names_the_field_and_shows_no_stack_trace(string input, string path)
    {
        var (exit, answer, errors) = await Run(["prescribe", "-"], input == "AGE" ? Bench.With("client.ageYears=\"old\"") : input);
        Assert.Equal((2, ""), (exit, errors));
        Assert.Contains(JsonNode.Parse(answer)!["error"]!["fields"]!.AsArray(), f => (string?)f!["path"] == path);
        Assert.DoesNotContain("   at ", answer, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Many_cases_are_answered_a_line_each_in_order_and_a_bad_line_ends_nothing()
    {
        string[] lines =
        [
            Case,
            "nonsense",
            "",
            Bench.With("client.ageYears=12"),
            Case.Replace("\"rootTouchUp\"", "\"\\ud800\"", StringComparison.Ordinal),
            Case,
        ];
        var (exit, answer, errors) = await Run(["prescribe", "--many", "-"], string.Join('\n', lines) + "\n");
        Assert.Equal((0, ""), (exit, errors));
        var answers = answer.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(a => JsonNode.Parse(a)!).ToList();
        Assert.Equal(["kit", "error", "error", "stop", "error", "kit"], answers.Select(a => (string?)a["decision"] ?? (a["error"] is null ? "?" : "error")));
        Assert.Equal(answers[0].ToJsonString(), answers[5].ToJsonString());
    }

    [Fact]
    public async Task Lines_of_ones_own_take_the_place_of_the_demos_and_a_wrong_one_is_named_by_file_and_field()
    {
        string folder = Directory.CreateTempSubdirectory("kitto-lines-").FullName;
        try
        {
            Assert.Equal(2, (await Run(["prescribe", "--lines", folder, "-"], Case)).Exit);
            string own = (await File.ReadAllTextAsync(Path.Combine(Bench.Root, "data", "catalogue", "lantern-cream.json"))).Replace(
                "\"lantern-cream\"",
                "\"harbour\"",
                StringComparison.Ordinal
            );
            await File.WriteAllTextAsync(Path.Combine(folder, "own.json"), own);
            var (exit, answer, _) = await Run(["prescribe", "--lines", folder, "-"], Bench.With("client.skinTest=-"));
            Assert.Equal((0, "harbour"), (exit, (string?)JsonNode.Parse(answer)!["formulas"]![0]!["line"]));
            await File.WriteAllTextAsync(Path.Combine(folder, "own.json"), own.Replace("\"processMin\": 25", "\"processMin\": 55", StringComparison.Ordinal));
            (exit, answer, _) = await Run(["prescribe", "-", "--lines", folder], Case);
            Assert.Equal((2, "own.json: processMin"), (exit, (string?)JsonNode.Parse(answer)!["error"]!["fields"]![0]!["path"]));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Theory]
    [InlineData("prescribe", "--many")]
    [InlineData("prescribe", "--lines", "/no/such/folder", "-")]
    [InlineData("prescribe", "--lines")]
    [InlineData("prescribe", "--some", "-")]
    [InlineData("prescribe", "/no/such/file.json")]
    [InlineData("prescribe", "/")]
    [InlineData("describe", "-")]
    public async Task A_file_that_cannot_be_read_or_a_wrong_word_exits_2(params string[] words)
    {
        var (exit, answer, _) = await Run(words, "");
        Assert.Equal(2, exit);
        Assert.NotNull(JsonNode.Parse(answer)!["error"]);
    }

    private static async Task<(int Exit, string Out, string Err)> Run(string[] words, string input)
    {
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        start.ArgumentList.Add(Path.Combine(Bench.Root, "src", "Kitto.Console", "bin", "Release", "net10.0", "kitto-console.dll"));
        words.ToList().ForEach(start.ArgumentList.Add);
        using var process = Process.Start(start)!;
        await process.StandardInput.WriteAsync(input);
        process.StandardInput.Close();
        var (output, errors) = (process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        await process.WaitForExitAsync();
        return (process.ExitCode, await output, await errors);
    }
}
