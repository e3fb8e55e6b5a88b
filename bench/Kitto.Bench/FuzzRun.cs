using System.Diagnostics;
using System.Globalization;
using Kitto.Bench.Fuzz;
using Kitto.Core.Contract;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>The long fuzz run: cases through the console as a process, lines in this one.</summary>
internal static class FuzzRun
{
    private const int Cases = 16_000,
        Lines = 4_000,
        Seed = 20_270_301;

    public static int Run(TextWriter output, string[] args)
    {
        int Number(string name, int usual) => Array.IndexOf(args, name) is >= 0 and var at ? int.Parse(args[at + 1], CultureInfo.InvariantCulture) : usual;
        int cases = Number("--cases", Cases),
            lines = Number("--lines", Lines),
            seed = Number("--seed", Seed);
        var shelf = CatalogueReader.Read(
            Directory
                .EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "data", "catalogue"), "*.json")
                .Select(f => (Path.GetFileName(f), File.ReadAllText(f)))
        );
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

    /// <summary>Forms and files to a running application, its address in KITTO_URL.</summary>
    public static async Task<int> RunForms(TextWriter output, string[] args)
    {
        int Number(string name, int usual) => Array.IndexOf(args, name) is >= 0 and var at ? int.Parse(args[at + 1], CultureInfo.InvariantCulture) : usual;
        using var http = new HttpClient
        {
            BaseAddress = new Uri(
                Environment.GetEnvironmentVariable("KITTO_URL") ?? throw new InvalidOperationException("KITTO_URL is not set: run ./kitto bench fuzz")
            ),
            Timeout = TimeSpan.FromMinutes(1),
        };
        string Find(string page, string pattern) =>
            System.Text.RegularExpressions.Regex.Match(page, pattern) is { Success: true } m
                ? m.Groups[1].Value
                : throw new InvalidOperationException($"No {pattern} on the page");
        async Task<string> Get(string path) => await http.GetStringAsync(new Uri(path, UriKind.Relative));
        async Task<string> Post(string path, string token, params (string, string)[] fields)
        {
            using var body = new FormUrlEncodedContent(fields.Append(("__RequestVerificationToken", token)).Select(f => KeyValuePair.Create(f.Item1, f.Item2)));
            using var answer = await http.PostAsync(new Uri(path, UriKind.Relative), body);
            return await answer.Content.ReadAsStringAsync();
        }

        const string Token = "name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"";
        await Post("/signin", Find(await Get("/signin"), Token), ("UserName", "tove"), ("Password", "mail-boat-days"));
        string client = Find(await Get("/clients?find=Lotte"), "href=\"/clients/([0-9a-f-]{36})\""),
            maren = Find(await Get("/clients?find=Maren"), "href=\"/clients/([0-9a-f-]{36})\"");
        string kit = Find(await Get($"/clients/{maren}"), "href=\"/kits/([0-9a-f-]{36})\"");
        string guide = Find(await Get($"/kits/{kit}"), "value=\"http[^\"]*(/g/[^\"]+)\"");
        string ask = Find(
            await Post($"/clients/{client}/answers?handler=Ask", Find(await Get($"/clients/{client}/answers"), Token)),
            "value=\"http[^\"]*(/ask/[^\"]+)\""
        );
        var watch = Stopwatch.StartNew();
        var fuzz = new Forms(http, Number("--seed", Seed));
        await fuzz.Send(Number("--forms", 3_000), (client, kit, guide, ask));
        await fuzz.SendFiles(Number("--files", 200), guide, await File.ReadAllBytesAsync(args[Array.IndexOf(args, "--picture") + 1]));
        output.WriteLine(
            $"forms and files: {fuzz.Judged.Looked} answers looked at, {fuzz.Judged.Faults.Count} of them 500 or worse; {watch.Elapsed.TotalSeconds:0} s"
        );
        foreach (string fault in fuzz.Judged.Faults.Take(20))
        {
            output.WriteLine(fault);
        }

        return fuzz.Judged.Faults.Count == 0 ? 0 : 1;
    }

    /// <summary>One case a line in, one answer a line out, in order; the process must end with 0.</summary>
    private static Judged Process(string console, IReadOnlyList<string> cases)
    {
        var judged = new Judged();
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            ArgumentList = { console, "prescribe", "--many", "-" },
        };
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
