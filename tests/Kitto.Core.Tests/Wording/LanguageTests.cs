using System.Reflection;
using System.Text.RegularExpressions;
using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Packing;
using Kitto.Core.Quantity;
using Kitto.Core.Rules;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Tests.Wording;

/// <summary>Reasons, guide lines and messages are data; words are put to them in one place a language.</summary>
public sealed partial class LanguageTests
{
    /// <summary>Sayings that are silent on purpose: a service that never fits does nothing, and a clear test locks nothing.</summary>
    private static readonly Saying[] Silent = [new ServiceDoes(Service.Lighten, false), new ServiceDoes(Service.Lighten, true)];

    public static TheoryData<Language> Languages => [.. Language.All];

    [Theory]
    [MemberData(nameof(Languages))]
    public void Every_saying_has_words_whatever_its_facts(Language language)
    {
        Assert.InRange(Kinds.Count(), 150, 1000);
        foreach (var saying in Kinds.SelectMany(Samples).Except(Silent).Where(s => s is not SkinLocks { Stage: SkinStage.Clear }))
        {
            string says = language.Says(saying);
            Assert.False(string.IsNullOrWhiteSpace(says), $"{saying} has no words in {language.Tag}");
            Assert.False(says.Contains('{', StringComparison.Ordinal) || says.Contains("  ", StringComparison.Ordinal), $"{saying}: {says}");
            Assert.False((says == Language.English.Says(saying) ? Gendered() : Gendered(language)).IsMatch(says), $"a client may be of any gender: {says}");
            if (saying is Reason { Rule: not ("hair.texture" or "hair.density") } reason)
            {
                Assert.True(RuleBook.Find(reason.Rule) is not null, $"{saying}: there is no rule {reason.Rule}");
            }
        }
    }

    /// <summary>A number that no sentence and no list of numbers shows is not a fact of the reason.</summary>
    [Theory]
    [MemberData(nameof(Languages))]
    public void Every_fact_is_said_somewhere(Language language)
    {
        string Heard(Saying s) => language.Says(s) + (s is Reason r ? string.Join(";", language.Numbers(r) ?? []) : "");
        var dumb =
            from kind in Kinds
            let make = kind.GetConstructors()[0]
            from fact in make.GetParameters()
            where fact.Name is not ("Of" or "By" or "Rule")
            // What was written down in the studio's words is read by the studio; others read what its rule means.
            where fact.Name is not "Said" || language == Language.English
            // Of a stop a client reads what to do; its facts are the studio's.
            where language == Language.English || !kind.IsSubclassOf(typeof(StopReason))
            let at = fact.Position
            where
                !Variants(make)
                    .Any(facts =>
                    {
                        var samples = Of(fact.ParameterType);
                        return samples.Select(v => Heard((Saying)make.Invoke([.. facts.Select((f, i) => i == at ? v : f)]))).Distinct().Count() > 1;
                    })
            select $"{kind.Name}.{fact.Name}";
        Assert.Equal([], dumb);
    }

    public static TheoryData<Language> Others => [.. Language.All.Where(l => l != Language.English)];

    /// <summary>Everything that can reach a client: the guide, a run, stops, what locks a kit, why a word is not taken, and what everyone hears.</summary>
    private static bool ReachesClient(Saying saying) =>
        saying is GuideLine or RunSays or NotTaken or StopReason or KitIsOver or KitNotPosted or SkinLocks or StrandLocks or AskDoctorFirst or EverydayCaution;

    [Theory]
    [MemberData(nameof(Others))]
    public void What_a_client_reads_is_all_in_the_clients_language(Language language)
    {
        var born = new DateOnly(1980, 5, 17);
        var answers = new Consultation(
            born,
            true,
            false,
            true,
            Scalp.Broken,
            [.. Conditions.Known],
            true,
            [new Remembered(new RoughDate(2024, 6, null), Treatment.Henna)],
            ""
        );
        var days = new KitDays(born, born, born, born, born, born, born);
        string Mail(Language l, ClientMessage kind) => string.Join('\n', l.Message(kind, "Ada", "", days, "https://x", "112", ""));
        var all = Kinds
            .SelectMany(Samples)
            .Where(s => ReachesClient(s) && s is not SkinLocks { Stage: SkinStage.Clear })
            .Select(s => (s.ToString(), language.ToClient(s), Language.English.ToClient(s)))
            .Concat(Enum.GetValues<ClientMessage>().Select(m => (m.ToString(), Mail(language, m), Mail(Language.English, m))))
            .Concat(Question.All.Select(q => (q.Id, language.Ask(q.Id), Language.English.Ask(q.Id))))
            .Concat(Question.All.Where(q => q.Id is not "other").Select(q => (q.Id, language.Answer(q.Id, answers), Language.English.Answer(q.Id, answers))))
            .Concat(Enum.GetValues<StrandResult>().Select(r => (r.ToString(), language.Term(r), Language.English.Term(r))))
            .Append(("label", language.Label("Ada"), Language.English.Label("Ada")))
            .Append(("paper", language.Paper("Ada"), Language.English.Paper("Ada")))
            .Concat(Enum.GetValues<VesselKind>().Select(k => (k.ToString(), Labelled(language, k), Labelled(Language.English, k))))
            .Concat(Enum.GetValues<Scalp>().Select(r => (r.ToString(), language.Term(r), Language.English.Term(r))));
        Assert.All(
            all,
            said =>
            {
                Assert.True(said.Item2 != said.Item3, $"{said.Item1}: {said.Item2} is English");
                Assert.False(
                    EnglishWords()
                        .IsMatch(
                            said.Item2.Replace("hair.texture", "", StringComparison.OrdinalIgnoreCase).Replace("hair.density", "", StringComparison.Ordinal)
                        ),
                    $"{said.Item1}: English in {said.Item2}"
                );
                Assert.False(DecimalPoint().IsMatch(said.Item2), $"{said.Item1}: a decimal point in {said.Item2}");
            }
        );
    }

    /// <summary>A label of each kind of sachet and bottle, without what a maker or a studio is called.</summary>
    private static string Labelled(Language language, VesselKind kind)
    {
        var vessel = new Vessel("v", kind, 0, "x", "x", Pair.Reserve, FormulaUse.Lengths, []);
        return string.Join(
            '\n',
            language.Label(new LabelFacts("Ada", 2, "Ada", "", vessel, Grams.Of(12.4), ["7N"], "", [], new DateOnly(2027, 3, 4), new DateOnly(2027, 3, 25)))
        );
    }

    /// <summary>Days, months and decimals as an independent table of the language has them (Unicode CLDR, from memory: Norwegian Bokmål).</summary>
    [Fact]
    public void Days_and_numbers_follow_the_language()
    {
        var nb = Language.Norwegian;
        Assert.Equal("torsdag 4. mars", nb.Day(new DateOnly(2027, 3, 4)));
        Assert.Equal("søndag 17. oktober, 08:05", nb.Moment(new DateTime(2027, 10, 17, 8, 5, 0)));
        Assert.Equal(("3,5", "12"), (nb.Number(3.46), nb.Number(12.04)));
        Assert.Equal("Thursday 4 March", Language.English.Day(new DateOnly(2027, 3, 4)));
        Assert.Equal("3.5", Language.English.Number(3.46));
        Assert.Equal(["juni 2024", "2023", "12. juni 2024"], new[] { new RoughDate(2024, 6, null), new(2023, null, null), new(2024, 6, 12) }.Select(nb.When));
    }

    [Theory]
    [InlineData("she", "she has", "her", "her")]
    [InlineData("he", "he has", "him", "his")]
    [InlineData("they", "they have", "them", "their")]
    [InlineData("name", "Ines has", "Ines", "Ines's")]
    [InlineData("anything else", "Ines has", "Ines", "Ines's")]
    public void A_client_is_spoken_of_by_the_word_that_was_chosen(string word, string verb, string to, string whose)
    {
        var who = Pronouns.Of(word, "Ines Holm");
        Assert.Equal((verb, to, whose), ($"{who.Subject} {who.Verb("has", "have")}", who.Object, who.Possessive));
    }

    /// <summary>No sentence stands in the rules and the arithmetic. What the contract answers to bad input, the consultation's questions and the sources of numbers are not sayings.</summary>
    [Fact]
    public void No_sentence_stands_outside_the_wording()
    {
        string core = Path.Combine(Bench.Root, "src", "Kitto.Core");
        var found =
            from file in Directory.EnumerateFiles(core, "*.cs", SearchOption.AllDirectories)
            let path = Path.GetRelativePath(core, file).Replace('\\', '/')
            where !path.StartsWith("obj/", StringComparison.Ordinal) && !path.StartsWith("bin/", StringComparison.Ordinal)
            where !path.StartsWith("Wording/", StringComparison.Ordinal) && !path.StartsWith("Contract/", StringComparison.Ordinal)
            where path is not ("Safety/Question.cs" or "Shade/LineCheck.cs")
            from line in File.ReadLines(file)
            where !line.TrimStart().StartsWith("//", StringComparison.Ordinal)
            where !line.Contains("[Number(", StringComparison.Ordinal) && !line.Contains("Exception(", StringComparison.Ordinal)
            where Sentence().IsMatch(line)
            select $"{path}: {line.Trim()}";
        Assert.Equal([], found);
    }

    /// <summary>Every line of the pages and of the rules but the comments; the names in it, too.</summary>
    [Fact]
    public void Pages_and_rules_take_nobody_for_a_woman_or_a_man()
    {
        string src = Path.Combine(Bench.Root, "src");
        var found =
            from file in Directory.EnumerateFiles(src, "*.*", SearchOption.AllDirectories)
            where Path.GetExtension(file) == ".cshtml" || Path.GetFileName(file) == "book.json"
            where !file.Contains("/obj/", StringComparison.Ordinal) && !file.Contains("/bin/", StringComparison.Ordinal)
            from line in File.ReadLines(file)
            where !line.TrimStart().StartsWith("@*", StringComparison.Ordinal) && !line.TrimStart().StartsWith("//", StringComparison.Ordinal)
            where Gendered().IsMatch(line)
            select $"{Path.GetFileName(file)}: {line.Trim()}";
        Assert.Equal([], found);
    }

    [GeneratedRegex(@"\b(she|her|hers|herself|he|him|his|himself)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Gendered();

    private static Regex Gendered(Language language) => language.Tag == "nb" ? GenderedNorwegian() : Gendered();

    [GeneratedRegex(@"\b(hun|henne|hennes|han|ham|hans)\b", RegexOptions.IgnoreCase)]
    private static partial Regex GenderedNorwegian();

    [GeneratedRegex(@"\b(the|and|your|you|is|are|not|with|until|of|this|it|was|hair|colour|only|when)\b", RegexOptions.IgnoreCase)]
    private static partial Regex EnglishWords();

    [GeneratedRegex(@"\d\.\d")]
    private static partial Regex DecimalPoint();

    [GeneratedRegex("\"[^\"]*[a-z]+ [a-z]+ [a-z]+ [a-z]+ [a-z]+")]
    private static partial Regex Sentence();

    private static IEnumerable<Type> Kinds =>
        typeof(Saying).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(Saying)) && !t.IsAbstract).OrderBy(t => t.Name);

    private static IEnumerable<Saying> Samples(Type kind)
    {
        var make = kind.GetConstructors()[0];
        return Variants(make).Select(facts => (Saying)make.Invoke(facts));
    }

    /// <summary>Facts in all ways that a sentence could turn on: every choice and every yes and no with every other, one number at a time.</summary>
    private static IEnumerable<object?[]> Variants(ConstructorInfo make)
    {
        var parameters = make.GetParameters();
        var choices = parameters.Select(p => IsChoice(p.ParameterType) ? Of(p.ParameterType) : [Of(p.ParameterType)[0]]).ToList();
        var crossed = choices.Aggregate(
            (IEnumerable<object?[]>)
                [
                    [],
                ],
            (all, next) => all.SelectMany(head => next.Select(v => (object?[])[.. head, v]))
        );
        foreach (object?[] facts in crossed)
        {
            yield return facts;
            for (int i = 0; i < parameters.Length; i++)
            {
                foreach (object? other in IsChoice(parameters[i].ParameterType) ? [] : Of(parameters[i].ParameterType).Skip(1))
                {
                    yield return [.. facts.Select((f, at) => at == i ? other : f)];
                }
            }
        }
    }

    private static bool IsChoice(Type type) => type.IsEnum || type == typeof(bool);

    /// <summary>A few facts of a kind, each told from the others.</summary>
    private static object?[] Of(Type type)
    {
        if (Nullable.GetUnderlyingType(type) is { } inner)
        {
            return [.. Of(inner), null];
        }

        if (type.IsEnum)
        {
            return
            [
                .. Enum.GetValues(type)
                    .Cast<object>()
                    .Where(v => type != typeof(Family) || (Family)v is Family.AG or Family.AB or Family.V or Family.C or Family.R),
            ];
        }

        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(IReadOnlyList<>))
        {
            var item = type.GetGenericArguments()[0];
            object?[] some = Of(item);
            return [Listed(item, [some[0]]), Listed(item, [.. some.Take(2)])];
        }

        return type switch
        {
            _ when type == typeof(bool) => [false, true],
            _ when type == typeof(string) => ["hair.texture", "hair.density"],
            _ when type == typeof(int) => [1, 3],
            _ when type == typeof(double) => [.25, 1.0, 70.0],
            _ when type == typeof(Share) => [Share.Of(.4), Share.Of(.7)],
            _ when type == typeof(Minutes) => [Minutes.Of(20), Minutes.Of(35)],
            _ when type == typeof(Grams) => [Grams.Of(12), Grams.Of(60)],
            _ when type == typeof(Millimetres) => [Millimetres.Of(10), Millimetres.Of(50)],
            _ when type == typeof(Level) => [Level.Of(5), Level.Of(7)],
            _ when type == typeof(Volume) => [Volume.Of(10), Volume.Of(20)],
            _ when type == typeof(Tone) => [new Tone(Family.N), new Tone(Family.C)],
            _ when type == typeof(DateOnly) => [new DateOnly(2027, 3, 4), new DateOnly(2027, 4, 5)],
            _ when type == typeof(Lab) => [new Lab(1, 2, 3), new Lab(-1, 0, 2)],
            _ when type == typeof(HandFactor) => [new HandFactor(.2, .3), new HandFactor(.5, .1)],
            _ when type == typeof(Stroke) => [new Stroke(Zone.Crown, false), new Stroke(Zone.Nape, true)],
            _ when type == typeof(ClockTimes) => [Times(20, 30, 60), Times(21, 31, 61)],
            _ when type == typeof(MixPart) => [new MixPart("5N", Share.Of(.5)), new MixPart("5R", Share.Of(.5))],
            _ when type == typeof(Portioned) => [new Portioned("5N", Grams.Of(4)), new Portioned("5R", Grams.Of(2))],
            _ when type == typeof(UsedBefore) =>
            [
                new UsedBefore(Grams.Of(30), Grams.Of(50), Grams.Of(2), Grams.Of(10), false, true, 40),
                new UsedBefore(Grams.Of(30), Grams.Of(50), Grams.Of(2), Grams.Of(0), true, true, 41),
            ],
            _ when type == typeof(MixStep) => [.. Enum.GetValues<MixStepKind>().Select(k => new MixStep("OU2", k, "5N", "5R"))],
            _ when type == typeof(GuideLine) => [new Tell(Tells.BandOnly), new Tell(Tells.GlossThrough)],
            _ when type == typeof((IReadOnlyList<Stretch>, Level)) =>
            [
                ((IReadOnlyList<Stretch>)[Stretch.Lengths], Level.Of(7)),
                ((IReadOnlyList<Stretch>)[Stretch.Band, Stretch.Scalp], Level.Of(8)),
            ],
            _ => throw new NotSupportedException($"no sample of {type}"),
        };
    }

    private static Array Listed(Type item, object?[] items)
    {
        var list = Array.CreateInstance(item, items.Length);
        Array.Copy(items, list, items.Length);
        return list;
    }

    private static ClockTimes Times(double paint, double process, double contact) =>
        new(Minutes.Of(paint), Minutes.Of(process), Minutes.Of(25), Minutes.Of(45), Minutes.Of(contact), Minutes.Of(paint + process));
}
