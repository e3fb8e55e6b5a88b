using System.Diagnostics;
using System.Globalization;
using System.Text.RegularExpressions;
using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Learning;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Wording;

namespace Kitto.Bench;

/// <summary>
/// Somebody who knows nothing of the trade and follows only what the study's page says: sees the drawings with an untrained eye, reads the sheet, and after
/// signing what is told. The next head is answered as the house answered the one most like it, with as many grams to the millimetre as hair that felt alike
/// took; a test that was missed once is asked for ever after; a sentence that was marked as a stop is one wherever it stands again.
/// Beside it the same person who never reads what is told.
/// </summary>
internal static partial class Layperson
{
    private const int People = 40,
        Heads = 40,
        Block = 8;

    public static void Run(TextWriter to)
    {
        var shelf = ColourSpeed.Shelf;
        double[] learns = new double[Heads / Block],
            never = new double[Heads / Block],
            safe = new double[Heads / Block],
            neverSafe = new double[Heads / Block],
            harm = new double[Heads / Block];
        for (int person = 0; person < People; person++)
        {
            foreach (bool reads in new[] { true, false })
            {
                var pupil = new Pupil(person);
                var (stands, done) = (new List<RuleEvidence>(), new List<(StudyKind, bool)>());
                for (int i = 0; i < Heads; i++)
                {
                    // The kinds come as the page brings them; every head a day's quarter later.
                    var day = new DateOnly(2027, 1, 4).AddDays(i / 4);
                    var kind = Practice.Next(Practice.Of(stands), done, day);
                    var head = StudyHeads.Of(1_000_000L * person + 77 * i + 5, kind, shelf)!;
                    var verdict = TrialJudge.Of(head, pupil.Answer(head, shelf), shelf);
                    done.Add((kind, verdict.Safe));
                    stands.AddRange(verdict.Rules.Select(r => new RuleEvidence(r.Rule, r.Right, day)));
                    if (reads)
                    {
                        pupil.Told(head, verdict);
                    }

                    (reads ? learns : never)[i / Block] += verdict.Score;
                    (reads ? safe : neverSafe)[i / Block] += verdict.Safe ? 1 : 0;
                    harm[i / Block] += reads && verdict.Findings.Any(f => f.Gravity == Gravity.Harm) ? 1 : 0;
                }
            }
        }

        double each = People * Block;
        to.WriteLine($"{People} people who know nothing, {Heads} heads each, in the order the page brings them");
        to.WriteLine("| heads | points | safe of 100 | harm of 100 | points of who never reads what is told | safe of 100 |");
        to.WriteLine("|---|---|---|---|---|---|");
        for (int b = 0; b < learns.Length; b++)
        {
            to.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {b * Block + 1} to {(b + 1) * Block} | {learns[b] / each:0} | {100 * safe[b] / each:0} | {100 * harm[b] / each:0} | {never[b] / each:0} | {100 * neverSafe[b] / each:0} |"
                )
            );
        }

        Speed(to, shelf);
    }

    private static void Speed(TextWriter to, Shelf shelf)
    {
        foreach (int row in new[] { 1, 2, 3 })
        {
            var watch = Stopwatch.StartNew();
            var slowest = TimeSpan.Zero;
            for (int at = 0; at < 100; at++)
            {
                var one = Stopwatch.StartNew();
                var head = StudyHeads.At(row, at, shelf)!;
                var trial = Trial.Of(head);
                TrialJudge.Of(
                    head,
                    trial.Kit is { } kit
                        ? trial with
                        {
                            Kit = kit with { Developer = Volume.Of(20), Grams = Grams.Of(60), Order = PaintOrder.FrontFirst },
                        }
                        : trial,
                    shelf
                );
                slowest = one.Elapsed > slowest ? one.Elapsed : slowest;
            }

            to.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"a hundred heads drawn and judged, three choices wrong on each: {watch.Elapsed.TotalSeconds:0.00} s, the slowest {slowest.TotalMilliseconds:0} ms"
                )
            );
        }
    }

    /// <summary>What somebody sees of a head, and what was told of it.</summary>
    private sealed record Seen(double[] Measures, IReadOnlySet<string> Sentences, Decision Decision, TrialKit? Kit, double Millimetres);

    private sealed class Pupil(int person)
    {
        private readonly Random eye = new(person);
        private readonly List<Seen> known = [];
        private readonly HashSet<string> missed = [],
            refused = [];
        private Seen? last;

        public Trial Answer(StudyHead head, Shelf shelf)
        {
            last = Look(head);
            if (last.Sentences.Overlaps(refused))
            {
                return new Trial(new TrialReading(null, null, null), Decision.Stop, null);
            }

            var near = known.Where(k => k.Decision != Decision.Stop).MinBy(k => Distance(k.Measures, last.Measures));
            if (near is { Decision: Decision.Salon } && Distance(near.Measures, last.Measures) < 4)
            {
                return new Trial(new TrialReading(null, null, null), Decision.Salon, null);
            }

            near = known.Where(k => k.Kit is not null).MinBy(k => Distance(k.Measures, last.Measures));
            return new Trial(new TrialReading(null, null, null), Decision.Kit, near is null ? Guess(head, shelf) : Like(near, head, shelf));
        }

        /// <summary>Remembers what the house did on the head that was answered last.</summary>
        public void Told(StudyHead head, TrialVerdict verdict)
        {
            missed.UnionWith(verdict.Findings.Select(f => f.Rule));
            // The page marks which sentence it was.
            refused.UnionWith(head.Tells.Where(t => t.Stops is not null).Select(Plain));
            known.Add(
                last! with
                {
                    Decision = head.Best.Decision,
                    Kit = head.Best.Decision == Decision.Kit ? TrialKit.Of(head.Case.Goal.Service, head.Best) : null,
                }
            );
        }

        /// <summary>Whoever knows nothing takes the first thing that sounds right.</summary>
        private TrialKit Guess(StudyHead head, Shelf shelf) =>
            new(
                Service.RootTouchUp,
                shelf.Lines.First(l => l.Kind == LineKind.Permanent).Id,
                [new MixPart($"{Wished(head).Level:0}N", Share.Of(1))],
                Volume.Of(eye.Next(2) == 0 ? 20 : 30),
                Grams.Of(40 + 10 * eye.Next(5)),
                PaintOrder.FrontFirst,
                Minutes.Of(20 + 5 * eye.Next(4)),
                false,
                false
            );

        /// <summary>The house's answer to the likest head, moved to what was agreed on here, and as much more as there is more to paint.</summary>
        private TrialKit Like(Seen near, StudyHead head, Shelf shelf)
        {
            var (kit, wish) = (near.Kit!, Wished(head));
            var line = shelf.Find(kit.Line)!;
            var family = Enum.Parse<Family>(wish.Tone.Split('/')[0]);
            var shade = line.Kind == LineKind.HighLift ? line.Find(family, 11) : line.Find(family, (int)wish.Level) ?? line.Find(Family.N, (int)wish.Level);
            // A mix is taken over where the wish is the same; else one shade, with as much neutral as was told.
            bool same = kit.Parts.Any(p => p.Shade == shade?.Code);
            var parts =
                same || shade is null ? kit.Parts
                : family != Family.N && kit.Parts.Count > 1 && line.Find(Family.N, shade.Level) is { } neutral
                    ? [new MixPart(neutral.Code, Share.Of(.5)), new MixPart(shade.Code, Share.Of(.5))]
                : new List<MixPart> { new(shade.Code, Share.Of(1)) };
            // Hair that felt alike, and hands that were told alike.
            static double Felt(double[] one, double[] two) =>
                Math.Abs(one[7] - two[7]) + Math.Abs(one[10] - two[10]) + Math.Abs(one[11] - two[11]) + Math.Abs(one[9] - two[9]);
            var alike = known.Where(k => k.Kit is not null && (k.Kit.Service == Service.Gloss) == (kit.Service == Service.Gloss)).ToList();
            double least = alike.Min(k => Felt(k.Measures, last!.Measures)),
                each = alike.Where(k => Felt(k.Measures, last!.Measures) <= least).Average(k => k.Kit!.Grams.Value / k.Millimetres);
            return kit with
            {
                Parts = parts,
                Grams = Grams.Of(Math.Clamp(each * last!.Millimetres, 10, 900)),
                SkinTest = kit.SkinTest || missed.Contains("SA5"),
                StrandTest = kit.StrandTest || missed.Contains("SA12"),
            };
        }

        private (double Level, string Tone) Wished(StudyHead head)
        {
            string said = string.Join(' ', head.Tells.Where(t => t.On == SheetPart.Wish).Select(Language.English.Says));
            var found = Agreed().Match(said);
            return (double.Parse(found.Groups[1].Value, CultureInfo.InvariantCulture), found.Groups[2].Value);
        }

        /// <summary>The drawings as an untrained eye reads them, and the sheet word for word.</summary>
        private Seen Look(StudyHead head)
        {
            var (reading, wish) = (head.Case.Reading, Wished(head));
            double Off(double by) => by * (2 * eye.NextDouble() - 1);
            string Said(SheetPart part) => string.Join(' ', head.Tells.Where(t => t.On == part).Select(Language.English.Says));
            double mm = Math.Max(3, reading.MeanRegrowth.Value + Off(2)),
                natural = reading.Hair.NaturalLevel.Value + Off(1);
            double Has(string text, string words, double counts) => text.Contains(words, StringComparison.Ordinal) ? counts : 0;
            var (touch, before, wished) = (Said(SheetPart.Touch), Said(SheetPart.Before), Said(SheetPart.Wish));
            return new Seen(
                [
                    10 * Math.Clamp(reading.DecisiveGrey.Value + Off(.1), 0, 1),
                    2 * (wish.Level - natural),
                    Has(wished, "lengths have lost", 20),
                    Has(wished, "little lighter", 20),
                    Has(wished, "as well", 20),
                    Has(wished, "Really blonde", 20),
                    Has(touch, "Fine", 1) - Has(touch, "Coarse", 1),
                    Has(touch, "little hair", 3) - Has(touch, "a great deal", 3),
                    Has(touch, "glassy", 3),
                    Has(before, "ran out", 4),
                    Has(before, "alone", 2),
                    Has(before, "first time", 1),
                    Has(before, "No skin test", 2),
                    Has(before, "days ago", .5),
                    wish.Tone == "N" ? 0 : 2,
                ],
                // Numbers aside, word for word.
                head.Tells.Select(Plain).ToHashSet(),
                default,
                null,
                wished.Contains("lengths have lost", StringComparison.Ordinal) ? reading.Hair.LengthCm : mm
            );
        }

        /// <summary>A sentence without its numbers; somebody young is told from somebody old.</summary>
        private static string Plain(StudySays says) => Digits().Replace(Teens().Replace(Language.English.Says(says), "young"), "#");

        private static double Distance(double[] one, double[] two) => Math.Sqrt(one.Zip(two).Sum(x => (x.First - x.Second) * (x.First - x.Second)));
    }

    [GeneratedRegex(@"level ([\d.]+), .*?\((\S+?)\)")]
    private static partial Regex Agreed();

    [GeneratedRegex(@"\b1\d\b(?=\.$)")]
    private static partial Regex Teens();

    [GeneratedRegex(@"\d+")]
    private static partial Regex Digits();
}
