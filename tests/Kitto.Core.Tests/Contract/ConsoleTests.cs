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

    [Theory]
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
        var start = new ProcessStartInfo("dotnet") { RedirectStandardInput = true, RedirectStandardOutput = true, RedirectStandardError = true };
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
