using System.Diagnostics;
using System.Globalization;
using Kitto.Bench.Fuzz;
using Kitto.Core.Contract;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>The long fuzz run: cases through the console as a process, lines in this one.</summary>
internal static class FuzzRun
{
    private const int Cases = 16_000, Lines = 4_000, Seed = 20_270_301;

    public static int Run(TextWriter output, string[] args)
    {
        int Number(string name, int usual) => Array.IndexOf(args, name) is >= 0 and var at ? int.Parse(args[at + 1], CultureInfo.InvariantCulture) : usual;
        int cases = Number("--cases", Cases), lines = Number("--lines", Lines), seed = Number("--seed", Seed);
        var shelf = CatalogueReader.Read(Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "data", "catalogue"), "*.json").Select(f => (Path.GetFileName(f), File.ReadAllText(f))));
        var watch = Stopwatch.StartNew();
        string? console = Environment.GetEnvironmentVariable("KITTO_CONSOLE");
        var judged = console is null ? Judged.InProcess(seed, cases, shelf) : Process(console, [.. Judged.Cases(seed, cases, shelf)]);
        output.WriteLine($"cases {(console is null ? "in this process" : "through the console")}: {judged}; {watch.Elapsed.TotalSeconds:0} s");
        watch.Restart();
        var lined = Judged.Lines(seed + 1, lines);
        output.WriteLine($"lines: {lined}; {watch.Elapsed.TotalSeconds:0} s");
        foreach (string fault in judged.Faults.Concat(lined.Faults).Take(20))
        {
            output.WriteLine(fault);
        }

        return judged.Faults.Count + lined.Faults.Count == 0 ? 0 : 1;
    }

    /// <summary>One case a line in, one answer a line out, in order; the process must end with 0.</summary>
    private static Judged Process(string console, IReadOnlyList<string> cases)
    {
        var judged = new Judged();
        var start = new ProcessStartInfo("dotnet") { RedirectStandardInput = true, RedirectStandardOutput = true, ArgumentList = { console, "prescribe", "--many", "-" } };
        using var process = System.Diagnostics.Process.Start(start)!;
        process.StandardInput.NewLine = "\n";
        var writing = Task.Run(async () =>
        {
            foreach (string line in cases)
            {
                await process.StandardInput.WriteLineAsync(line);
            }

            process.StandardInput.Close();
        });
        foreach (string asked in cases)
        {
            if (process.StandardOutput.ReadLine() is not { } answer)
            {
                judged.Fault("the console ended early", asked, "");
                break;
            }

            judged.Look(asked, answer);
        }

        process.WaitForExit();
        writing.Wait();
        if (process.ExitCode != 0)
        {
            judged.Fault($"exit {process.ExitCode}", "", "");
        }

        return judged;
    }
}
