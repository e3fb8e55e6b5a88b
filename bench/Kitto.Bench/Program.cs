using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using Kitto.Bench;

// kitto bench study    10 000 invented clients, eight kits each
// kitto bench lay      people who know nothing learn on forty heads; how long a hundred heads take
// kitto bench speed    BenchmarkDotNet over the engine
// kitto bench clock    the clock of generated heads
// kitto bench case     the whole way from a case document to its prescription, of the files given or of the example
// kitto bench colours  generated colours as JSON, for an independent library to check
// kitto bench fuzz     mutated cases, random lines, mutated forms and files by a fixed seed
// kitto bench sign     ordinary heads, and what of the proposals a colourist would not sign (--list names them)
// kitto bench same     the answers to 2 000 generated cases, kept (--keep FILE) or held against those kept before a change (--against FILE)
// kitto bench colour   forecast and search, the search held against the exhaustive one (--quick leaves that out)
switch (args.FirstOrDefault())
{
    case "study":
        Study.Run(Console.Out);
        return 0;
    case "lay":
        Layperson.Run(Console.Out);
        return 0;
    case "speed":
        // In this process: nothing is generated or restored, so it runs from anywhere.
        var config = DefaultConfig.Instance.AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.Instance));
        BenchmarkSwitcher.FromTypes([typeof(AmountSpeed)]).Run(["--filter", "*", .. args.Skip(1)], config);
        return 0;
    case "colour":
        return ColourSpeed.Run(Console.Out, exhaustive: !args.Contains("--quick")) ? 0 : 1;
    case "clock":
        ClockSpeed.Run(Console.Out);
        return 0;
    case "case":
        return CaseSpeed.Run(Console.Out, args[1..]);
    case "sign":
        return SignRun.Run(Console.Out, list: args.Contains("--list"));
    case "same":
        return SameAnswers.Run(Console.Out, args[1..]);
    case "colours":
        Colours.Write(Console.Out, args.Length > 1 ? int.Parse(args[1], System.Globalization.CultureInfo.InvariantCulture) : 2000);
        return 0;
    case "fuzz-forms":
        return await FuzzRun.RunForms(Console.Out, args[1..]);
    case "fuzz":
        return FuzzRun.Run(Console.Out, args[1..]);
    default:
        Console.Error.WriteLine("bench wants study, lay, speed, clock, case, sign, same, colour or colours; page is measured by ./kitto bench page");
        return 2;
}
