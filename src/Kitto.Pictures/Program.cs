using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;
using Kitto.Core.Picture;

namespace Kitto.Pictures;

/// <summary>Reads one picture from standard input and answers on standard output, in a process of its own: what a broken picture does, it does to nobody else.</summary>
public static class Worker
{
    private static readonly JsonSerializerOptions Names = Core.Contract.Json.Options;

    /// <summary>Quality of the picture that is kept.</summary>
    private const int KeptQuality = 80;

    /// <summary>Reads it.</summary>
    /// <param name="args">How large the card is printed beside what it should be, and how uncertain that is; nothing: not known.</param>
    public static int Main(string[] args)
    {
        if (args.Length is not (0 or 2) || args.Any(a => !double.TryParse(a, CultureInfo.InvariantCulture, out double v) || v is not (>= 0 and <= 2)))
        {
            Console.Error.WriteLine("kitto-pictures [FACTOR SD] < picture: both numbers, 0 to 2, or none.");
            return 2;
        }

        var scale =
            args.Length == 0
                ? CardScale.Unknown
                : new CardScale(double.Parse(args[0], CultureInfo.InvariantCulture), double.Parse(args[1], CultureInfo.InvariantCulture));
        using var input = Console.OpenStandardInput();
        using var file = new MemoryStream();
        byte[] piece = new byte[1 << 16];
        for (int read; file.Length <= PictureFile.MostBytes && (read = input.Read(piece)) > 0; )
        {
            file.Write(piece, 0, read);
        }

        using var output = Console.OpenStandardOutput();
        JsonSerializer.Serialize(output, Answer(file.ToArray(), scale), Names);
        return 0;
    }

    /// <summary>What is answered of a file.</summary>
    public static PictureAnswer Answer(byte[] file, CardScale scale)
    {
        if (PictureFile.Refuses(file) is { } refused)
        {
            return new PictureAnswer(refused, null, 0, 0, null, null);
        }

        try
        {
            return Opened(file, scale);
        }
        catch (Exception lacks) when (lacks is TypeInitializationException or DllNotFoundException)
        {
            // Its library is for another machine, or asks for one that is not there.
            Console.Error.WriteLine(lacks.GetBaseException().Message);
            return new PictureAnswer(FileRefusal.NotHere, null, 0, 0, null, null);
        }
    }

    private static PictureAnswer Opened(byte[] file, CardScale scale)
    {
        using var picture = CardFinder.Open(file);
        if (picture is null)
        {
            return new PictureAnswer(FileRefusal.Broken, null, 0, 0, null, null);
        }

        var card = CardFinder.Find(picture);
        var reading = HairReader.Refuses(card) is { } no ? new PictureReading(no) : HairReader.Read(CardFinder.Flat(picture, card!), card!, scale);
        return new PictureAnswer(null, reading, picture.Width, picture.Height, card?.ToPicture.Entries, CardFinder.Jpeg(picture, KeptQuality));
    }
}
