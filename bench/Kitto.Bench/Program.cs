using BenchmarkDotNet.Running;
using Kitto.Bench;

// kitto bench study    10 000 invented clients, eight kits each
// kitto bench speed    BenchmarkDotNet over the engine
switch (args.FirstOrDefault())
{
    case "study":
        Study.Run(Console.Out);
        return 0;
    case "speed":
        BenchmarkSwitcher.FromTypes([typeof(AmountSpeed)]).Run(["--filter", "*", .. args.Skip(1)]);
        return 0;
    default:
        Console.Error.WriteLine("bench wants study or speed");
        return 2;
}
