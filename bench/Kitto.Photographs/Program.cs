using System.Diagnostics;
using System.Globalization;
using Kitto.Camera;
using Kitto.Core.Picture;
using Kitto.Photographs;
using Kitto.Pictures;

// kitto bench photographs [--count N] [--seed S] [--list]    pictures of known heads within the stated limits, and a fifth as many beyond them: how well they are read
// kitto bench photographs --locks [--count N] [--seed S]     locks on the card: how near their colour comes
// kitto bench photographs --draw FILE [--seed S] [--width W]  one such picture, as a file, W pixels across (1800)
// kitto bench photographs --demo FOLDER                      the pictures of the demo, with what is measured in them
CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
int Number(string name, int otherwise) => Array.IndexOf(args, name) is >= 0 and var i && i + 1 < args.Length ? int.Parse(args[i + 1]) : otherwise;
int count = Number("--count", 500),
    first = Number("--seed", 1_000_000);
if (Array.IndexOf(args, "--draw") is >= 0 and var draw)
{
    var drawn = Drawn.Of(first);
    int width = Number("--width", drawn.Shot.Width);
    var raw = StandInCamera.Take(drawn.Hair, drawn.Card, drawn.Shot with { Width = width, Height = width * 4 / 3 }, first);
    using var picture = CardFinder.Of(raw.Width, raw.Height, raw.Bgr);
    File.WriteAllBytes(
        args[draw + 1],
        args[draw + 1].EndsWith(".png", StringComparison.Ordinal) ? CardFinder.Png(picture) : CardFinder.Jpeg(picture, drawn.Shot.Quality)
    );
    Console.WriteLine(drawn);
    return 0;
}

if (args.Contains("--locks"))
{
    var locks = new System.Collections.Concurrent.ConcurrentBag<(Kitto.Core.Colour.Lab, Kitto.Core.Colour.Lab, double)>();
    int refused = 0;
    Parallel.ForEach(
        Enumerable.Range(first, count),
        new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
        seed =>
        {
            var drawn = Drawn.Of(seed);
            // What lies in the window does not matter: it is drawn with few fibres.
            var raw = StandInCamera.Take(drawn.Hair with { FibresPerMm2 = 0.2 }, drawn.Card with { Lock = true }, drawn.Shot, seed);
            using var taken = CardFinder.Of(raw.Width, raw.Height, raw.Bgr);
            using var picture = CardFinder.Open(CardFinder.Jpeg(taken, drawn.Shot.Quality))!;
            var reading = CardFinder.Read(picture, CardScale.Unknown, PictureKind.Lock);
            if (reading.Lengths is { } lab)
            {
                locks.Add((drawn.Hair.LengthsColour, lab, reading.LengthsSd));
            }
            else
            {
                Interlocked.Increment(ref refused);
            }
        }
    );
    Report.Looks(Console.Out, $"locks ({refused} refused)", locks);
    return 0;
}

if (Array.IndexOf(args, "--demo") is >= 0 and var demo)
{
    Demo.Draw(args[demo + 1]);
    return 0;
}

var seen = new System.Collections.Concurrent.ConcurrentBag<(int Seed, Drawn Drawn, PictureReading Reading, double Ms)>();
Parallel.ForEach(
    Enumerable.Range(0, count + (args.Contains("--within") ? 0 : count / 5)),
    new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
    i =>
    {
        int seed = first + i;
        var drawn = Drawn.Of(seed, i < count ? null : HairReader.OfTaking[i % HairReader.OfTaking.Count]);
        byte[] file = Taken(drawn, seed);

        var watch = Stopwatch.StartNew();
        using var picture = CardFinder.Open(file)!;
        // The card was held against a bank card once, to half a millimetre.
        var reading = CardFinder.Read(picture, CardScale.Confirmed(drawn.Card.Scale + 0.003 * Math.Sin(seed)));
        seen.Add((seed, drawn, reading, watch.Elapsed.TotalMilliseconds));
    }
);

// Drawn once and kept, where a folder is named: the reading alone is then tried again.
byte[] Taken(Drawn drawn, int seed)
{
    string? kept = Array.IndexOf(args, "--keep") is >= 0 and var k ? Path.Combine(args[k + 1], $"{seed}-{drawn.Beyond}.jpg") : null;
    if (kept is not null && File.Exists(kept))
    {
        return File.ReadAllBytes(kept);
    }

    var raw = StandInCamera.Take(drawn.Hair, drawn.Card, drawn.Shot, seed);
    using var taken = CardFinder.Of(raw.Width, raw.Height, raw.Bgr);
    byte[] file = CardFinder.Jpeg(taken, drawn.Shot.Quality);
    if (kept is not null)
    {
        File.WriteAllBytes(kept, file);
    }

    return file;
}

return Report.Write(Console.Out, [.. seen.OrderBy(s => s.Seed)], args.Contains("--list")) ? 0 : 1;
