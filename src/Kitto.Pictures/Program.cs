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
    /// <param name="args">How large the card is printed beside what it should be, how uncertain that is, and what the picture shows.</param>
    public static int Main(string[] args)
    {
        if (
            args is not [var factor, var sd, var shows]
            || !double.TryParse(factor, CultureInfo.InvariantCulture, out double times)
            || !double.TryParse(sd, CultureInfo.InvariantCulture, out double uncertain)
            || times is not (>= 0 and <= 2)
            || uncertain is not (>= 0 and <= 2)
            || Core.Contract.Json.Named<PictureKind>(shows) is not { } kind
        )
        {
            Console.Error.WriteLine("kitto-pictures FACTOR SD parting|lock|whole < picture: two numbers, 0 to 2, and what it shows.");
            return 2;
        }

        using var input = Console.OpenStandardInput();
        using var file = new MemoryStream();
        byte[] piece = new byte[1 << 16];
        for (int read; file.Length <= PictureFile.MostBytes && (read = input.Read(piece)) > 0; )
        {
            file.Write(piece, 0, read);
        }

        using var output = Console.OpenStandardOutput();
        JsonSerializer.Serialize(output, Answer(file.ToArray(), new CardScale(times, uncertain), kind), Names);
        return 0;
    }

    /// <summary>What is answered of a file.</summary>
    public static PictureAnswer Answer(byte[] file, CardScale scale, PictureKind kind = PictureKind.Parting)
    {
        if (kind == PictureKind.Whole)
        {
            // It is looked at, not measured: what measures is not asked.
            return PlainPicture.Take(file) is { } plain
                ? new PictureAnswer(null, null, plain.Width, plain.Height, null, plain.Jpeg)
                : new PictureAnswer(FileRefusal.NotAPicture, null, 0, 0, null, null);
        }

        if (PictureFile.Refuses(file) is { } refused)
        {
            return new PictureAnswer(refused, null, 0, 0, null, null);
        }

        try
        {
            return Opened(file, scale, kind);
        }
        catch (Exception lacks) when (lacks is TypeInitializationException or DllNotFoundException)
        {
            // Its library is for another machine, or asks for one that is not there.
            Console.Error.WriteLine(lacks.GetBaseException().Message);
            return new PictureAnswer(FileRefusal.NotHere, null, 0, 0, null, null);
        }
    }

    private static PictureAnswer Opened(byte[] file, CardScale scale, PictureKind kind)
    {
        using var picture = CardFinder.Open(file);
        if (picture is null)
        {
            return new PictureAnswer(FileRefusal.Broken, null, 0, 0, null, null);
        }

        var card = CardFinder.Find(picture);
        return new PictureAnswer(
            null,
            CardFinder.Read(picture, card, scale, kind),
            picture.Width,
            picture.Height,
            card?.ToPicture.Entries,
            CardFinder.Jpeg(picture, KeptQuality)
        );
    }
}
