using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Core.Shade;

namespace Kitto.Core.Learning;

/// <summary>A stop as a client tells of it, not knowing that it is one.</summary>
internal enum ToldStop
{
    ReactedBefore,
    BlackHenna,
    LockReacted,
}

/// <summary>Puts a case into what is told and felt. What is to be read by eye (natural level, white, regrowth, band) is not told: it is drawn.</summary>
internal static class StudyTells
{
    /// <summary>How many harmless things there are to tell.</summary>
    internal const int HarmlessThings = 6;

    public static IReadOnlyList<StudySays> Of(Case c, long seed)
    {
        var (client, hair) = (c.Reading.Client, c.Reading.Hair);
        var tells = new List<StudySays> { new WishTold(c.Goal.Service, hair.Band is not null) };
        bool gloss = c.Goal.Service == Service.Gloss;
        tells.Add(new WishAgreed(c.Goal.Level ?? hair.Lengths.Level, c.Goal.Tone ?? hair.Lengths.Tone, gloss));
        if (c.Goal.Lengths is { } lengths)
        {
            tells.Add(
                lengths.Clear ? new LengthsClearAgreed() : new WishAgreed(lengths.Level ?? hair.Lengths.Level, lengths.Tone ?? hair.Lengths.Tone, Lengths: true)
            );
        }

        tells.AddRange(Answers(c.Reading, new Lots(seed)));
        tells.AddRange(Before(c));
        tells.Add(new HairFelt(hair.Texture, hair.Density, hair.Porosity, hair.LengthCm));
        if (c.Reading.Included.Where(z => z.Read.Resistant).Select(z => z.Zone).ToList() is [_, ..] glassy)
        {
            tells.Add(new WhiteFelt(glassy));
        }

        return tells;
    }

    /// <summary>The answers, shuffled, so that where one stands tells nothing.</summary>
    private static IEnumerable<StudySays> Answers(Reading reading, Lots lots)
    {
        var (client, lengths) = (reading.Client, reading.Hair.Lengths);
        var answers = new List<StudySays> { new HistoryTold(lengths.History), new ScalpTold(client.Scalp) };
        foreach (string condition in client.Conditions)
        {
            answers.Add(new ConditionTold(condition));
        }

        void Told(bool holds, StudySays says)
        {
            if (holds)
            {
                answers.Add(says);
            }
        }

        Told(client.Reactions, new StopTold(ToldStop.ReactedBefore));
        Told(client.BlackHenna, new StopTold(ToldStop.BlackHenna));
        Told(lengths.Metal == MetalTest.Reacted, new StopTold(ToldStop.LockReacted));
        Told(client.Pregnant, new PregnancyTold());
        Told(client.NewMedicine, new MedicineTold());
        if (client.ChemicalServiceDaysAgo is { } days)
        {
            answers.Add(new StraightenedTold(days));
        }

        int harmless = lots.Between(0, HarmlessThings - 1);
        answers.Add(new HarmlessTold(harmless));
        Told(lots.OneIn(2), new HarmlessTold((harmless + 1) % HarmlessThings));
        return lots.Shuffled(answers).Prepend(new AgeTold(client.AgeYears));
    }

    private static IEnumerable<StudySays> Before(Case c)
    {
        var (client, hair) = (c.Reading.Client, c.Reading.Hair);
        yield return new HandsTold(c.Reading.Hands.Who, c.Reading.Hands.Practised);
        yield return new FirstKitTold(client.FirstKit);
        if (c.Reading.Last?.DaysAgo is { } days)
        {
            yield return new LastColourTold(days);
        }

        if (c.Reading.Last?.Formula is { } last)
        {
            yield return new LastFormulaTold(last.Parts, last.Developer, c.Reading.Last.Result is null or { AllRight: true });
        }

        foreach (var used in c.Reading.Hands.History.OrderBy(h => h.DaysAgo))
        {
            yield return new UsedTold(used.Sent, used.Left, used.RanOut, used.DaysAgo);
        }

        yield return client.SkinTest is { } skin ? new SkinTestTold(skin.DaysAgo, skin.Result) : new SkinTestTold(null, SkinResult.Clear);
        if (client.StrandTest is { } strand)
        {
            yield return new StrandTestTold(strand.Result);
        }

        yield return new LengthsNoted(hair.Lengths.Level, hair.Lengths.Tone, hair.Lengths.Highlighted);
    }
}
