using System.Diagnostics;
using Kitto.Camera;
using Kitto.Core.Picture;
using Kitto.Pictures;
using OpenCvSharp;
using OpenCvSharp.Aruco;

namespace Kitto.Web.Tests;

/// <summary>Pictures of known heads, taken by the stand-in camera with seeds that nothing was set by, and files that are none.</summary>
public sealed class PictureFileTests
{
    internal static readonly DrawnHair Head = new()
    {
        RegrowthMm = 24,
        White = 0.35,
        Level = 5.5,
        LengthsLevel = 7,
        LengthsTone = 0.4,
        LeanDegrees = 4,
    };

    internal static byte[] Jpeg(DrawnHair hair, DrawnCard card, Shot shot, int seed)
    {
        var raw = StandInCamera.Take(hair, card, shot, seed);
        using var picture = CardFinder.Of(raw.Width, raw.Height, raw.Bgr);
        return CardFinder.Jpeg(picture, shot.Quality);
    }

    private static PictureReading Read(DrawnHair hair, DrawnCard card, Shot shot, int seed)
    {
        using var picture = CardFinder.Open(Jpeg(hair, card, shot, seed))!;
        return CardFinder.Read(picture, CardScale.Confirmed(card.Scale));
    }

    [Fact]
    public void The_cards_markers_are_those_of_the_open_dictionary()
    {
        using var words = CvAruco.GetPredefinedDictionary(PredefinedDictionaryType.Dict4X4_50);
        for (int id = 0; id < MeasuringCard.Markers.Count; id++)
        {
            using var drawn = new Mat();
            words.GenerateImageMarker(id, MeasuringCard.Cells, drawn, 1);
            string inner = string.Concat(Enumerable.Range(0, 16).Select(i => drawn.At<byte>(1 + i / 4, 1 + i % 4) > 0 ? '1' : '0'));
            Assert.Equal(inner, MeasuringCard.MarkerCells[id]);
        }
    }

    [Theory]
    [InlineData(Lamp.Incandescent, 25, 40, 0.15)]
    [InlineData(Lamp.Led, 10, 14, 0)]
    [InlineData(Lamp.Fluorescent, 30, 65, 0.5)]
    public void A_known_head_is_read_in_any_light_from_aside_on_a_card_that_is_printed_too_small(Lamp lamp, double tilt, double regrowth, double white)
    {
        var reading = Read(
            Head with
            {
                RegrowthMm = regrowth,
                White = white,
            },
            new DrawnCard
            {
                Scale = 0.98,
                GreyTint = 0.04,
                PaperYellow = 0.03,
            },
            new Shot
            {
                Lamp = lamp,
                TiltDegrees = tilt,
                TiltTo = 70,
                TurnDegrees = 12,
                Cast = 0.1,
                FallX = 0.2,
            },
            77 + (int)regrowth
        );
        Assert.Null(reading.Refused);
        Assert.InRange(reading.RegrowthMm!.Value, regrowth - 3, regrowth + 3);
        Assert.True(reading.RegrowthMm.Low < reading.RegrowthMm.Value && reading.RegrowthMm.Value < reading.RegrowthMm.High);
        Assert.InRange(reading.White!.Value, Math.Max(0, white - 0.12), white + 0.12);
    }

    [Fact]
    public void The_same_picture_is_read_the_same_and_a_card_nobody_measured_widens_the_band()
    {
        using var picture = CardFinder.Open(Jpeg(Head with { RegrowthMm = 50 }, new DrawnCard(), new Shot(), 5))!;
        Measured Width(CardScale scale) => CardFinder.Read(picture, scale).RegrowthMm!;
        var (held, again, unknown) = (Width(CardScale.Of(85.6)), Width(CardScale.Of(85.6)), Width(CardScale.Of(null)));
        Assert.Equal(held, again);
        Assert.True(unknown.High - unknown.Low > 1.2 * (held.High - held.Low));
        Assert.Equal(1.03, Width(CardScale.Of(85.6 * 1.03)).Value / held.Value, 3);
    }

    /// <summary>Small pictures are enough for what is to be refused.</summary>
    private static readonly Shot Small = new() { Width = 1200, Height = 1600 };

    public static TheoryData<PictureRefusal, DrawnHair, DrawnCard, Shot> Faults =>
        new()
        {
            { PictureRefusal.TooTilted, Head, new DrawnCard(), Small with { TiltDegrees = 48 } },
            { PictureRefusal.Blurred, Head, new DrawnCard(), Small with { BlurPixels = 4 } },
            { PictureRefusal.TooDark, Head, new DrawnCard(), Small with { Exposure = 0.05 } },
            { PictureRefusal.TooBright, Head, new DrawnCard(), Small with { Exposure = 1.6 } },
            { PictureRefusal.TwoLights, Head, new DrawnCard(), Small with { Second = Lamp.Incandescent } },
            { PictureRefusal.NoCard, Head, new DrawnCard(), Small with { MarkerCovered = true } },
            {
                PictureRefusal.NoHair,
                Head,
                new DrawnCard { WindowCut = false },
                Small
            },
            {
                PictureRefusal.NotFlat,
                Head,
                new DrawnCard { BendMm = 16 },
                Small with
                {
                    TiltDegrees = 15,
                }
            },
        };

    [Theory]
    [MemberData(nameof(Faults))]
    public void What_cannot_be_measured_is_refused_with_its_reason(PictureRefusal reason, DrawnHair hair, DrawnCard card, Shot shot) =>
        Assert.Equal(reason, Read(hair, card, shot, 31).Refused);

    [Fact]
    public void A_lock_on_the_card_is_read_by_its_colour_and_plain_paper_is_no_lock()
    {
        PictureReading Lock(DrawnCard card)
        {
            using var picture = CardFinder.Open(Jpeg(Head with { FibresPerMm2 = 0.5 }, card, new Shot(), 12))!;
            return CardFinder.Read(picture, CardScale.Unknown, PictureKind.Lock);
        }

        var seen = Lock(new DrawnCard { Lock = true });
        Assert.InRange(Kitto.Core.Colour.Difference2000.Between(seen.Lengths!.Value, Head.LengthsColour), 0, 5);
        Assert.InRange(Head.LengthsLevel, NearestLook.Of(seen.Lengths.Value, seen.LengthsSd).Low, NearestLook.Of(seen.Lengths.Value, seen.LengthsSd).High);
        Assert.Equal(PictureRefusal.NoHair, Lock(new DrawnCard()).Refused);
    }

    [Fact]
    public void A_file_is_judged_by_its_head_before_it_is_opened()
    {
        byte[] Png(int width, int height) =>
            [
                0x89,
                .. "PNG\r\n"u8,
                0x1a,
                (byte)'\n',
                0,
                0,
                0,
                13,
                .. "IHDR"u8,
                (byte)(width >> 24),
                (byte)(width >> 16),
                (byte)(width >> 8),
                (byte)width,
                (byte)(height >> 24),
                (byte)(height >> 16),
                (byte)(height >> 8),
                (byte)height,
                8,
                2,
                0,
                0,
                0,
            ];
        Assert.Equal(FileRefusal.NotAPicture, PictureFile.Refuses("GIF89a and so on"u8));
        Assert.Equal(FileRefusal.NotAPicture, PictureFile.Refuses([]));
        Assert.Equal(FileRefusal.TooManyPixels, PictureFile.Refuses(Png(60_000, 60_000)));
        Assert.Equal(FileRefusal.TooFewPixels, PictureFile.Refuses(Png(400, 4000)));
        Assert.Equal(FileRefusal.Broken, PictureFile.Refuses(Png(-5, 4000)));
        Assert.Equal(FileRefusal.Broken, PictureFile.Refuses([0xff, 0xd8, 0xff, 0xe0, 0, 1, 2, 3]));
        Assert.Equal(FileRefusal.TooLarge, PictureFile.Refuses(new byte[PictureFile.MostBytes + 1]));
        byte[] real = Jpeg(Head, new DrawnCard(), new Shot { Width = 900, Height = 1200 }, 1);
        Assert.Equal((900, 1200), PictureFile.Size(real));
        for (int cut = 0; cut < 600; cut += 7)
        {
            // However it is cut short, its head is read or it is refused; nothing is thrown.
            _ = PictureFile.Refuses(real.AsSpan(0, cut));
        }
    }

    [Fact]
    public void The_demo_shows_what_is_measured_in_its_pictures_today()
    {
        string[] files = Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "data", "demo", "pictures"), "*.jpg");
        Assert.NotEmpty(files);
        Assert.All(
            files,
            file =>
            {
                var kept = System.Text.Json.JsonSerializer.Deserialize<PictureAnswer>(
                    File.ReadAllText(Path.ChangeExtension(file, ".json")),
                    Core.Contract.Json.Options
                )!;
                var now = Worker.Answer(File.ReadAllBytes(file), CardScale.Of(85.2));
                Assert.Equal(kept.Reading!.RegrowthMm!.Value, now.Reading!.RegrowthMm!.Value, 1);
                Assert.Equal(kept.Reading.White!.Value, now.Reading.White!.Value, 2);
            }
        );
    }

    [Fact]
    public async Task A_broken_picture_takes_nothing_down_and_a_whole_one_is_answered_meanwhile()
    {
        using var reader = new Pictures.PictureReader();
        byte[] real = Jpeg(Head, new DrawnCard(), new Shot(), 9);
        byte[] cut = real[..(real.Length / 3)],
            noise = [.. real];
        new Random(4).NextBytes(noise.AsSpan(600));
        var watch = Stopwatch.StartNew();
        var answers = await Task.WhenAll(
            reader.Read(noise, CardScale.Unknown, PictureKind.Parting),
            reader.Read(real, CardScale.Unknown, PictureKind.Parting),
            reader.Read(cut, CardScale.Unknown, PictureKind.Parting),
            reader.Read([], CardScale.Unknown, PictureKind.Parting)
        );
        Assert.True(watch.Elapsed < TimeSpan.FromSeconds(30));
        Assert.Null(answers[1].File);
        Assert.InRange(answers[1].Reading!.RegrowthMm!.Value, 21, 27);
        Assert.True(answers[0].File is not null || answers[0].Reading!.Refused is not null);
        Assert.True(answers[2].File is not null || answers[2].Reading!.Refused is not null);
        Assert.Equal(FileRefusal.NotAPicture, answers[3].File);
        // What is kept is a picture again, and nothing of the camera's notes.
        Assert.Null(PictureFile.Refuses(answers[1].Jpeg));
    }
}
