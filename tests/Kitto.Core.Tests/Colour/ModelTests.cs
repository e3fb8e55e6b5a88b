using Kitto.Core.Colour;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Colour;

/// <summary>What the model of hair must show, whatever its constants: facts of the trade in numbers.</summary>
public sealed class ModelTests
{
    private static readonly Line Cream = Bench.Shelf.Find("lantern-cream")!,
        Gloss = Bench.Shelf.Find("tidewash-gloss")!,
        Demi = Bench.Shelf.Find("halyard-demi")!;

    private static MixPart[] Parts(string mix) =>
        [.. mix.Split('+').Select(p => p.Split('*')).Select(p => new MixPart(p[0], Share.Of(p.Length > 1 ? Bench.Number(p[1]) : 1)))];

    /// <summary>A fibre after a mix for the line's own time.</summary>
    private static Fibre After(Fibre fibre, string mix, double volume, Line? line = null, double? minutes = null)
    {
        var used = line ?? Cream;
        return fibre with
        {
            Dye =
                fibre.Dye + new Mixture(used, Volume.Of(volume), Parts(mix)).On(fibre) * Kinetics.Taken(minutes is { } m ? Minutes.Of(m) : used.Process, used),
        };
    }

    /// <summary>Virgin pigmented medium hair after lift and mix.</summary>
    private static Fibre Virgin(double level, string mix, double volume) =>
        After(Melanin.Lifted(level, Kinetics.Levels(Cream, Volume.Of(volume)) * Kinetics.LiftReached(Cream.Process, Cream)), mix, volume);

    private static double Between(Fibre one, Fibre two) => Difference2000.Between(one.Lab, two.Lab);

    [Fact]
    public void Natural_hair_climbs_the_ladder_and_is_warm_at_every_level()
    {
        for (int level = 1; level <= 10; level++)
        {
            var lab = Melanin.Natural(level).Lab;
            Assert.Equal(Melanin.Ladder[level - 1], lab.L, 1e-6);
            Assert.True(lab.A > 0 && lab.B > 0, $"level {level}: {lab}");
            Assert.InRange(lab.Chroma, 1, 25);
        }

        double[] halves = [.. Enumerable.Range(2, 19).Select(i => Melanin.Natural(i / 2.0).Lab.L)];
        Assert.Equal(halves.Order(), halves);
        Assert.InRange(Fibre.White.Lab.L, 82, 86);
        Assert.InRange(Fibre.White.Lab.B, 1, 12);
    }

    /// <summary>The undertones of SH2.</summary>
    [Fact]
    public void Lifted_hair_turns_from_red_to_yellow_as_it_gets_lighter_and_is_always_warmer_than_natural_hair()
    {
        double Hue(int reached) => Melanin.Lifted(reached - 2, 2).Lab.Hue;
        double[] hues = [.. Enumerable.Range(3, 8).Select(Hue)];
        Assert.Equal(hues.Order(), hues);
        Assert.True(Hue(4) < 52);
        Assert.InRange(Hue(6), 55, 66);
        Assert.InRange(Hue(8), 70, 80);
        Assert.True(Hue(10) > 82);
        for (int reached = 3; reached <= 10; reached++)
        {
            for (double lifted = .5; lifted <= Math.Min(4, reached - 1); lifted += .5)
            {
                var fibre = Melanin.Lifted(reached - lifted, lifted);
                Assert.True(fibre.Lab.Chroma > Melanin.Natural(reached).Lab.Chroma, $"{lifted} to {reached}");
                Assert.Equal(Melanin.Natural(reached).Lab.L, fibre.Lab.L, 1e-6);
            }
        }

        Assert.All(Enumerable.Range(6, 3), reached => Assert.True(Melanin.Lifted(reached - 2, 2).Lab.Chroma >= 28));
    }

    /// <summary>SH3: green cancels red, blue orange, violet yellow. Tones of equal strength, without depth, on lifted hair.</summary>
    [Fact]
    public void The_opposite_tone_cancels_best()
    {
        Lab On(int level, Family? tone)
        {
            var ground = Melanin.Lifted(level - 2, 2);
            return (tone is { } t ? ground with { Dye = Dye.Tone(t) * (.5 * Melanin.Of(level)) } : ground).Lab;
        }

        Family[] tones = [Family.AG, Family.AB, Family.V];
        Assert.Equal(Family.AG, tones.MinBy(t => On(4, t).A));
        Assert.Equal(Family.AB, tones.MinBy(t => On(6, t).Chroma));
        Assert.Equal(Family.AB, tones.MinBy(t => On(8, t).Chroma));
        Assert.Equal(Family.V, tones.MinBy(t => On(10, t).Chroma));
        Assert.All(
            Enumerable.Range(2, 4).Select(i => 2 * i),
            level => Assert.All(tones, t => Assert.True(On(level, t).Chroma < On(level, null).Chroma || level == 10, $"{t} at {level}"))
        );
        Assert.True(On(10, Family.AB).A < -2);
    }

    [Fact]
    public void Ash_shows_its_green_base_on_white_hair_and_a_tenth_of_red_keeps_it_brown()
    {
        foreach (int level in new[] { 4, 5, 6 })
        {
            Assert.True(After(Fibre.White, $"{level}AG", 20).Lab.A < -3, $"{level}AG {After(Fibre.White, $"{level}AG", 20).Lab}");
            Assert.InRange(After(Fibre.White, $"{level}AG*0.9+0R*0.1", 20).Lab.A, 0, 4);
        }

        Assert.All(Enumerable.Range(4, 4), level => Assert.True(After(Fibre.White, $"{level}N", 20).Lab.A > 4));
    }

    [Fact]
    public void A_gloss_hardly_shows_on_natural_hair_and_an_ash_gloss_does_on_light_hair()
    {
        Assert.True(Between(Melanin.Natural(8), After(Melanin.Natural(8), "10V", 6, Gloss)) < 1.5);
        Assert.All(Enumerable.Range(5, 6), l => Assert.True(Between(Melanin.Natural(l), After(Melanin.Natural(l), $"{l}N", 6, Gloss)) < 2, $"level {l}"));
        Assert.True(Between(Melanin.Natural(9), After(Melanin.Natural(9), "9AB", 6, Gloss)) > 3);
    }

    [Fact]
    public void On_coloured_hair_no_mix_ever_lightens_and_the_same_again_darkens()
    {
        foreach (var shade in Cream.Shades.Where(s => s.Level > 0))
        {
            for (double level = 1; level <= 10; level += .5)
            {
                var entered = Dye.Look(level, Tone.Neutral);
                Assert.True(After(entered, shade.Code, 10).Lab.L <= entered.Lab.L + .5, $"{shade.Code} on {level}");
            }
        }

        for (int level = 3; level <= 9; level++)
        {
            var entered = Dye.Look(level, Tone.Neutral);
            Assert.InRange(entered.Lab.L - After(entered, $"{level}N", 20).Lab.L, 2, 6);
        }
    }

    [Fact]
    public void Neutral_at_her_own_level_matches_natural_hair_a_little_warm_and_white_hair_closely()
    {
        for (int level = 3; level <= 9; level++)
        {
            Fibre natural = Melanin.Natural(level),
                coloured = Virgin(level, $"{level}N", 20);
            Assert.True(Between(natural, coloured) < 4, $"level {level}: {Between(natural, coloured)}");
            Assert.True(level > 7 || coloured.Lab.Hue < natural.Lab.Hue, $"level {level}");
            Assert.True(Between(natural, After(Fibre.White, $"{level}N", 20)) < 2, $"white at {level}");
        }
    }

    [Theory]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    public void One_level_up_with_a_blue_tone_of_half_strength_takes_the_warmth_back(int level)
    {
        var ground = Melanin.Lifted(level, Kinetics.Levels(Cream, Volume.Of(20)) * Kinetics.LiftReached(Cream.Process, Cream));
        double depth = Melanin.Of(level + 1),
            held = Math.Min(1, ground.Melanin / depth);
        var mix = Dye.Deposit(new ShadeOf("", level + 1, Family.N), 1, ground) + Dye.Tone(Family.AB) * (.5 * depth * (1 - Dye.NaturalToneFill * held));
        Assert.True(Between(Melanin.Natural(level), ground with { Dye = mix * Kinetics.Taken(Cream.Process, Cream) }) < 2);
    }

    /// <summary>Check 10: her own level on her own hair.</summary>
    [Theory]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(7)]
    [InlineData(8)]
    public void A_neutral_of_her_own_level_leaves_natural_hair_as_it_is(int level)
    {
        var natural = Melanin.Natural(level);
        if (level <= 9 && Demi.Find(Family.N, level) is not null)
        {
            Assert.True(Between(natural, After(natural, $"{level}N", 6, Demi)) < 2);
        }

        Assert.True(Between(natural, Virgin(level, $"{level}N", 10)) < 2, $"10 vol {Between(natural, Virgin(level, $"{level}N", 10))}");
        var lifted = Virgin(level, $"{level}N", 20);
        Assert.True(Between(natural, lifted) < 3, $"20 vol {Between(natural, lifted)}");
        Assert.True(lifted.Lab.Chroma > natural.Lab.Chroma, "the warm side");
    }

    /// <summary>The level whose natural hair is as light.</summary>
    private static double LevelOf(Fibre fibre)
    {
        double l = fibre.Lab.L;
        int below = Math.Clamp(Enumerable.Range(0, 10).Last(i => i == 0 || Melanin.Ladder[i] <= l), 0, 8);
        return below + 1 + (l - Melanin.Ladder[below]) / (Melanin.Ladder[below + 1] - Melanin.Ladder[below]);
    }

    /// <summary>Check 11: what practitioners mixed comes out as they said (common practice).</summary>
    [Fact]
    public void What_practitioners_mixed_comes_out_as_they_said()
    {
        // Natural 5 with red in it.
        Fibre ash = Virgin(5, "4AG*0.5+5N*0.5", 10),
            plain = Virgin(5, "5N", 10);
        Assert.InRange(LevelOf(ash), 4, 6);
        Assert.True(ash.Lab.A < plain.Lab.A);
        // Natural 7 to a cool 8.
        var cool = Virgin(7, "8AB*0.5+9AB*0.5", 20);
        Assert.InRange(LevelOf(cool), 7.5, 8.5);
        Assert.True(cool.Lab.Chroma < .9 * Virgin(7, "8N", 20).Lab.Chroma && cool.Lab.Chroma < .9 * Virgin(7, "9N", 20).Lab.Chroma);
        // Natural 5.5 with a touch of violet.
        Fibre touched = Virgin(5.5, "7AB*0.97+0V*0.03", 20),
            seven = Virgin(5.5, "7N", 20);
        Assert.InRange(LevelOf(touched), 6, 7);
        Assert.True(touched.Lab.A > 0 && touched.Lab.Chroma < seven.Lab.Chroma);
        // Natural 3 with a little white.
        Assert.InRange(LevelOf(Virgin(3, "4G*0.8+3N*0.2", 20)), 3, 4.5);
        Assert.InRange(LevelOf(After(Fibre.White, "4G*0.8+3N*0.2", 20)), 3, 4.6);
        // Fine natural 2 under a high-lift shade, 15 vol, 1:2.
        var lift = Bench.Shelf.Find("lantern-lift")!;
        var lifted = After(Melanin.Lifted(2, 1.25 * Kinetics.Levels(lift, Volume.Of(15)) * Kinetics.LiftReached(lift.Process, lift)), "11N", 15, lift);
        Assert.InRange(LevelOf(lifted), 3.5, 4.5);
        Assert.True(lifted.Lab.Chroma > Melanin.Natural(4).Lab.Chroma + 3);
    }

    /// <summary>Check 11, the rest: toning what lightening left.</summary>
    [Fact]
    public void Lightened_hair_is_toned_at_its_own_level_and_not_by_a_paler_violet()
    {
        foreach (string tone in new[] { "C", "G" })
        {
            Fibre orange = Dye.Lightened(7, Bench.Tone(tone)),
                calmed = After(orange, "8NN", 10, minutes: 20);
            Assert.True(calmed.Lab.Chroma <= orange.Lab.Chroma * 2 / 3, $"{orange.Lab} {calmed.Lab}");
            Assert.InRange(LevelOf(calmed) - LevelOf(orange), -.5, .5);
            // SH9: more violet is not the answer.
            Assert.True(Between(orange, After(orange, "10V", 6, Gloss)) < 1.5);
        }

        Fibre yellow = Dye.Lightened(9.5, Bench.Tone("G")),
            toned = After(yellow, "10V", 6, Gloss);
        Assert.True(toned.Lab.Chroma <= .6 * yellow.Lab.Chroma, $"{yellow.Lab} {toned.Lab}");
        Assert.True(LevelOf(toned) > 9);
    }

    [Theory]
    [InlineData("7N")]
    [InlineData("8V")]
    [InlineData("7G")]
    [InlineData("6C")]
    public void An_equal_part_of_clear_gives_about_a_level_lighter_and_half_the_tone(string shade)
    {
        Fibre full = After(Fibre.White, shade, 6, Gloss),
            half = After(Fibre.White, shade + "*0.5+00*0.5", 6, Gloss);
        Assert.InRange(LevelOf(half) - LevelOf(full), .6, 1.4);
        Assert.Equal(full.Dye.Depth / 2, half.Dye.Depth, 9);
        Assert.Equal((full.Dye.Violet + full.Dye.Gold + full.Dye.Copper) / 2, half.Dye.Violet + half.Dye.Gold + half.Dye.Copper, 9);
    }

    /// <summary>Check 12: fading as the trade knows it, by the forecast's own "plainly faded".</summary>
    [Theory]
    [InlineData("goal.service=\"gloss\"; line=-; hair.lengths={\"level\":9,\"tone\":\"G\",\"history\":\"lightened\"}; goal.level=9; goal.tone=\"V\"", 5, 8)]
    [InlineData("goal.service=\"gloss\"; line=-; hair.lengths={\"level\":8,\"tone\":\"B\",\"history\":\"lightened\"}; goal.level=7; goal.tone=\"N\"", 5, 8)]
    [InlineData("line=\"halyard-demi\"; allZones.greyPercent=100", 4, 8)]
    [InlineData("line=\"halyard-demi\"; allZones.greyPercent=80; hair.naturalLevel=7; hair.lengths.level=7", 4, 8)]
    [InlineData("allZones.greyPercent=100", 12, 17)]
    [InlineData("allZones.greyPercent=100; hair.naturalLevel=3; hair.lengths.level=3", 12, 17)]
    [InlineData("allZones.greyPercent=95; hair.naturalLevel=8; hair.lengths.level=8", 12, 17)]
    [InlineData("allZones.greyPercent=0", null, null)]
    public void Colour_fades_when_the_trade_says_it_does(string facts, int? from, int? to)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal(from is null, p.Forecast.Fading!.ShowsInWeeks is null);
        Assert.True(p.Forecast.Fading.ShowsInWeeks is not { } weeks || (weeks >= from && weeks <= to), $"{p.Forecast.Fading.ShowsInWeeks} weeks");
        Assert.DoesNotContain(p.Because, b => b.Says.Contains("within a year", StringComparison.Ordinal));
    }

    [Fact]
    public void The_order_of_parts_changes_not_the_last_bit()
    {
        var one = After(Melanin.Natural(5), "5N*0.5+6G*0.3+0B*0.1+6C*0.1", 20);
        var two = After(Melanin.Natural(5), "0B*0.1+6C*0.1+6G*0.3+5N*0.5", 20);
        Assert.Equal(one, two);
        Assert.Equal(one.Lab, two.Lab);
    }

    [Theory]
    [InlineData(6, 0)]
    [InlineData(10, .3)]
    [InlineData(15, .75)]
    [InlineData(20, 1.2)]
    [InlineData(25, 1.75)]
    [InlineData(30, 2.3)]
    [InlineData(40, 3.2)]
    public void Developer_lifts_by_its_strength(double volume, double levels) => Assert.Equal(levels, Kinetics.Levels(Cream, Volume.Of(volume)), 9);

    /// <summary>Common practice: high-lift on fine hair with 15 vol lifts about two levels.</summary>
    [Fact]
    public void High_lift_on_fine_hair_lifts_two_levels_with_fifteen_volumes_and_demi_and_gloss_lift_nothing()
    {
        Assert.Equal(2, 1.25 * Kinetics.Levels(Bench.Shelf.Find("lantern-lift")!, Volume.Of(15)), .1);
        Assert.Equal(0, Kinetics.Levels(Bench.Shelf.Find("halyard-demi")!, Volume.Of(10)));
        Assert.Equal(0, Kinetics.Levels(Gloss, Volume.Of(6)));
    }

    [Fact]
    public void Uptake_and_lift_rise_with_time_and_reach_their_mark_at_the_lines_own_time()
    {
        double[] taken = [.. Enumerable.Range(0, 60).Select(m => Kinetics.Taken(Minutes.Of(m), Cream))];
        Assert.Equal(taken.Order(), taken);
        Assert.Equal(0, taken[0]);
        Assert.Equal(.95, Kinetics.Taken(Cream.Process, Cream), 9);
        Assert.Equal(.95, Kinetics.LiftReached(Cream.Process, Cream), 9);
        Assert.All(Enumerable.Range(1, 34), m => Assert.True(Kinetics.LiftReached(Minutes.Of(m), Cream) > taken[m]));
    }

    [Theory]
    [InlineData("lantern-cream", 32)]
    [InlineData("halyard-demi", 12)]
    [InlineData("tidewash-gloss", 6.7)]
    public void Half_the_depth_is_left_after_the_half_life_less_of_the_tone_and_less_on_white(string line, double weeks)
    {
        var dye = new Pigment(2, 1, 1, 1, 1, 1, 1);
        var kind = Bench.Shelf.Find(line)!.Kind;
        var left = Fading.After(dye, kind, weeks, white: false);
        Assert.Equal(1, left.Depth, 9);
        Assert.Equal(Math.Pow(.5, 1 / .64), left.Red, 9);
        Assert.Equal(2 * Math.Pow(.5, 1 / .5625), Fading.After(dye, kind, weeks, white: true).Depth, 9);
        Assert.Equal(dye, Fading.After(dye, kind, 0, white: true));
    }

    [Theory]
    [InlineData(0, 0, 0, "#000000")]
    [InlineData(100, 0, 0, "#ffffff")]
    [InlineData(53.5850, 0, 0, "#808080")]
    public void Greys_are_greys_on_a_screen(double l, double a, double b, string hex) => Assert.Equal(hex, Srgb.Hex(new Lab(l, a, b)));
}
