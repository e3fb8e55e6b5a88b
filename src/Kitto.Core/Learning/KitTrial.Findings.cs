using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Rules;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Learning;

/// <summary>What there is to find in a kit that was tried out.</summary>
internal sealed partial class KitTrial
{
    private void Tests()
    {
        foreach (var (rule, asked) in new[] { ("SA5", kit.SkinTest), ("SA12", kit.StrandTest) })
        {
            if (!asked && would.Holds.Contains(rule))
            {
                Found(Gravity.Harm, new TestLeftOut(rule), would.Because.First(b => b.Rule == rule && b.About == Topic.Tests).Says, 100);
            }
        }
    }

    private void Colour(List<TrialDifference> differs)
    {
        foreach (bool onLengths in new[] { false, true })
        {
            double Of(TrialOutcome o) => onLengths ? o.Lengths : o.Roots;
            double over = Of(outcome) - Of(best);
            if (over <= Values.TrialSeenDeltaE)
            {
                continue;
            }

            // What does most when it alone is put right; where only several together would, the mix, which is looked at first.
            var righted =
                differs.Where(d => d.Choice != TrialChoice.Grams && Of(d.Now) < Of(outcome)).MinBy(d => Math.Round(Of(d.Now), 1))
                ?? differs.FirstOrDefault(d => d.Choice is TrialChoice.Service or TrialChoice.Mix)
                ?? differs.FirstOrDefault();
            if (righted is null)
            {
                continue;
            }

            var (rule, why, about) = Blame(righted.Choice, onLengths);
            Found(
                Gravity.Wrong,
                new ColourMisses(rule, about, onLengths, Of(outcome), Of(best), Of(righted.Now)),
                why,
                Math.Min(Values.TrialWrongDecisionLoss, Values.TrialLossPerDeltaE * over)
            );
        }

        bool ash = (head.Case.Goal.Tone ?? Tone.Neutral).Families.Any(f => f is Family.AG or Family.AB);
        if (!ash && would.Forecast.GreenA is { } green && head.Best.Forecast.GreenA is null)
        {
            string rule = would.Because.FirstOrDefault(b => b.Rule is "SH6" or "SH22")?.Rule ?? "SH22";
            Found(Gravity.Wrong, new ComesOutGreenHere(rule, green), RuleBook.Find(rule)!.Says, Values.TrialLossPerDeltaE * Values.TrialSeenDeltaE);
        }
    }

    /// <summary>The rule by which a choice would have been right, and its words on this head.</summary>
    private (string Rule, string Why, Topic About) Blame(TrialChoice choice, bool onLengths)
    {
        var house = head.Best.Because;
        (string, string, Topic) Told(Because? b, string otherwise, Topic about) => (b?.Rule ?? otherwise, b?.Says ?? RuleBook.Find(otherwise)!.Says, about);
        switch (choice)
        {
            case TrialChoice.Service:
                var advice = would.Advice.Single(a => a.Service == kit.Service);
                var fits = head.Best.Advice.Single(a => a.Service == this.house.Service);
                return advice.Fits ? (fits.Because[0], fits.Says!, Topic.Service) : (advice.Because[0], advice.Says!, Topic.Service);
            case TrialChoice.Developer:
                return Told(house.FirstOrDefault(b => b.About == Topic.Developer), "DV2", Topic.Developer);
            case TrialChoice.Order:
                return Told(house.FirstOrDefault(b => b.Rule == "TM5"), "TM5", Topic.Clock);
            case TrialChoice.Time:
                return Told(would.Because.FirstOrDefault(b => b.Rule is "TM1" or "TM8"), "TM2", Topic.Clock);
            default:
                bool soft = shelf.Find(kit.Line)!.IsPermanent != shelf.Find(this.house.Line)!.IsPermanent;
                return soft && head.Case.Reading.DecisiveGrey.Value >= Values.NoGrey && !onLengths
                    ? Told(house.FirstOrDefault(b => b.Rule == "SV7"), "SV7", Topic.Shade)
                    // What a colourist would not sign of it comes before why the house's own is what it is.
                    : Told(
                        would.Because.FirstOrDefault(b => b.About == Topic.Attention && b.Rule.StartsWith("SH", StringComparison.Ordinal))
                            ?? house.FirstOrDefault(b => b.About is Topic.Shade or Topic.Lengths),
                        "SH21",
                        Topic.Shade
                    );
        }
    }

    /// <summary>White that stays: the forecast fills a white fibre whatever the strength, and practice says otherwise (DV3, SH5, SV7).</summary>
    private (string Rule, string Why, Topic About)? WhiteStaysBy(Prescription p, TrialKit k)
    {
        double white = head.Case.Reading.DecisiveGrey.Value;
        if (house.Service == Service.Gloss || k.Service == Service.Gloss || white < Values.NoGrey || !shelf.Find(house.Line)!.IsPermanent)
        {
            return null;
        }

        var developer = head.Best.Because.First(b => b.About == Topic.Developer);
        var neutral = p.Because.FirstOrDefault(b => b is { Rule: "SH5", About: Topic.Attention });
        return white >= Values.TrialBlendBelow && !shelf.Find(k.Line)!.IsPermanent ? ("SV7", Said("SV7"), Topic.Shade)
            : k.Developer.Value < Math.Min(house.Developer.Value, Values.CoverVolume) - Values.TrialVolumesOff
                ? (developer.Rule, developer.Says, Topic.Developer)
            : neutral is not null ? (neutral.Rule, neutral.Says, Topic.Shade)
            : null;
    }

    private void White()
    {
        if (WhiteStaysBy(would, kit) is { } by)
        {
            var white = head.Case.Reading.DecisiveGrey;
            Found(Gravity.Wrong, new WhiteStays(by.Rule, by.About, white), by.Why, 20 + 40 * white.Value);
        }
    }

    /// <summary>More peroxide than anything on this head asks for: natural hair lifts and warms where no lift was wished, and what is not made for it is roughened (DV2, DV5).</summary>
    private void Strength()
    {
        var developer = head.Best.Because.First(b => b.About == Topic.Developer);
        double over = kit.Developer.Value - house.Developer.Value,
            lifts = Lifts(would) - Lifts(head.Best);
        var line = shelf.Find(kit.Line)!;
        if (over < Values.TrialVolumesOff || findings.Any(f => f.About == Topic.Developer) || would.Decision != Decision.Kit)
        {
            return;
        }

        if (kit.Developer.Value > line.Developers.Max(d => d.Volume.Value) + .01)
        {
            Found(Gravity.Wrong, new TooStrongForLine(developer.Rule, kit.Developer, line.Name), developer.Says, 30);
        }
        else if (lifts >= Values.HalfLevel)
        {
            Found(Gravity.Wrong, new UnwishedLift(developer.Rule, lifts), developer.Says, 20 * lifts);
        }
    }

    private static double Lifts(Prescription p) => p.Forecast.PerZone.Select(z => z.Lifts).DefaultIfEmpty(0).Average();

    private string Said(string rule) => head.Best.Because.FirstOrDefault(b => b.Rule == rule)?.Says ?? RuleBook.Find(rule)!.Says;

    private void Amount()
    {
        var learned = head.Best.Because.FirstOrDefault(b => b.Rule == "DO8");
        var told = learned ?? head.Best.Because.FirstOrDefault(b => b.Rule is "DO1" or "DO3");
        (string rule, string why) = (told?.Rule ?? "DO1", told?.Says ?? RuleBook.Find("DO1")!.Says);
        double allowed = 1 - head.Case.House.Quantile + Values.TrialRunsOutMore;
        // What this service with this line needs, not what the house's own does.
        double needs =
            would.Quantity!.BaseGrams.Value * HandFactor.Learned(head.Case.Reading.Hands).Quantile(head.Case.House.Quantile)
            + would.Quantity.ResidueGrams.Value;
        if (outcome.RunsOut.Value > allowed)
        {
            double loss = 15 + 30 * (outcome.RunsOut.Value - allowed);
            Found(Gravity.Wrong, new WouldRunOut(rule, outcome.RunsOut, kit.Grams, Grams.Of(needs).Tenths()), why, loss);
        }
        else if (outcome.LeftGrams.Value > best.LeftGrams.Value + Math.Max(Values.TrialLeftMoreGrams, needs / 3))
        {
            Found(Gravity.Waste, new MuchLeft(rule, outcome.LeftGrams, Grams.Of(needs).Tenths()), why, 10);
        }
    }

    private void Contact()
    {
        var worst = Misses(would, kit).MaxBy(m => Math.Abs(m.Miss));
        if (worst.Time is not { } at || outcome.MissedMinutes <= best.MissedMinutes + Values.TrialContactMinutes)
        {
            return;
        }

        string rule =
            kit.Order != house.Order && Math.Abs(kit.Process.Value - house.Process.Value) < 3 ? "TM5"
            : worst.Miss > 0 ? "TM8"
            : "TM1";
        Found(
            Gravity.Wrong,
            new ContactMissed(rule, at.Zone, at.ContactMinutes, Math.Round(worst.Miss, 1)),
            head.Best.Because.FirstOrDefault(b => b.Rule == rule && b.About == Topic.Clock)?.Says ?? RuleBook.Find(rule)!.Says,
            Math.Min(30, Values.TrialLossPerMinute * (outcome.MissedMinutes - best.MissedMinutes))
        );
    }
}
