namespace Kitto.Core.Tests.Shade;

/// <summary>
/// What a colourist would write down for ordinary heads (common practice, no source). What stands before a bar was written before the engine was asked; where several are
/// signed as readily, they stand side by side. What stands behind a bar the engine proposed, and it was found to be signed as readily: a deeper shade that knocks the white
/// back (SH13), an ash beside a lifted neutral at the level that keeps the depth.
/// </summary>
public sealed class SignedHeadsTests
{
    /// <summary>natural level, white, wish; service and other facts; use; strength; mixes she would sign.</summary>
    public static TheoryData<string, string, string, double, string> Heads =>
        new()
        {
            // Her own level on her own hair, no white.
            { "2 0 2N", "", "roots", 10, "2N" },
            { "3 0 3N", "", "roots", 10, "3N" },
            { "4 0 4N", "", "roots", 10, "4N" },
            { "5 0 5N", "", "roots", 10, "5N" },
            { "6 0 6N", "", "roots", 10, "6N" },
            { "7 0 7N", "", "roots", 10, "7N" },
            { "8 0 8N", "", "roots", 10, "8N" },
            { "3 0 3N", "line=\"halyard-demi\"; hair.lengths.history=\"demi\"", "roots", 6, "3N" },
            // One level deeper, one lighter.
            { "5 0 4N", "", "roots", 10, "4N" },
            { "5 0 6N", "", "roots", 20, "6N, 6N+6AB, 6N+6AG | 6AG+7N" },
            // White to cover.
            { "5 40 5N", "", "roots", 20, "5N" },
            { "6 70 6N", "", "roots", 20, "6N, 6NN, 6N+6NN" },
            { "5 100 5N", "", "roots", 20, "5N, 5NN, 5N+5NN" },
            { "4 95 4N", "hair.texture=\"coarse\"; allZones.resistant=true", "roots", 20, "4NN, 4N+4NN" },
            { "5 10 5.5N", "", "roots", 20, "5N+6N | 5AG+6N" },
            { "6 80 6.5N", "", "roots", 20, "6N+7N, 6NN+7NN, 6N+7NN, 6NN+7N" },
            // Families.
            { "6 0 6G", "", "roots", 10, "6G, 6G+6N" },
            { "6 30 6G", "", "roots", 20, "6G+6N" },
            { "5 60 5G", "", "roots", 20, "5G+5N, 5G+5NN" },
            { "6 0 7G", "", "roots", 20, "7G, 7G+7N" },
            { "5 0 6C", "", "roots", 20, "6C, 6C+6N" },
            { "7 60 7C", "", "roots", 20, "7C+7N, 7C+7NN" },
            { "5 20 5R", "", "roots", 20, "5R, 5R+5N | 4N+5R" },
            { "4 30 4R", "", "roots", 20, "4N+4R, 4NN+4R | 3N+4R" },
            { "6 0 6AB", "", "roots", 10, "6AB, 6AB+6N" },
            { "5 0 5AG", "", "roots", 10, "5AG, 5AG+5N, 4AG+5N" },
            { "7 0 8AB", "allZones.regrowthMm=25", "roots", 20, "8AB, 8AB+9AB, 8AB+8N" },
            { "7 0 8V", "", "roots", 20, "8V, 8V+8N, 8V+9V" },
            { "6 0 7B", "", "roots", 20, "7B, 7B+7N | 7AB+7B" },
            { "6 60 6AB", "", "roots", 20, "6AB+6C+6N, 6AB+6N+6R, 0R+6AB+6N, 6AB+6C+6NN, 6AB+6NN+6R | 5AB+6C+6N" },
            { "6 90 6B", "", "roots", 20, "6B+6N, 6B+6NN | 5NN+6B" },
            // Blends in demi.
            { "6 25 6N", "goal.service=\"greyBlend\"; line=-", "roots", 10, "6N" },
            { "4 80 4N", "goal.service=\"greyBlend\"; line=-", "roots", 10, "4N | 3N+4N" },
            { "5 40 5G", "goal.service=\"greyBlend\"; line=-", "roots", 10, "5G+5N | 4N+5G" },
            // Shadows on blonde lengths.
            {
                "6 0 6N",
                "goal.service=\"rootShadow\"; line=-; allZones.regrowthMm=20; hair.lengths={\"level\":9,\"tone\":\"B\",\"history\":\"lightened\",\"highlighted\":true}",
                "shadow",
                6,
                "6N"
            },
            {
                "5 0 6AB",
                "goal.service=\"rootShadow\"; line=-; allZones.regrowthMm=20; hair.lengths={\"level\":8,\"tone\":\"B\",\"history\":\"lightened\"}",
                "shadow",
                6,
                "6AB, 6AB+6N"
            },
            // Lift.
            {
                "2 0 4N",
                "goal.service=\"baseLift\"; line=-; hair.texture=\"fine\"; allZones.regrowthMm=40; hair.lengths={\"level\":8,\"tone\":\"B\",\"history\":\"lightened\"}",
                "roots",
                15,
                "11N, 11AB+11N"
            },
            {
                "5 0 7N",
                "goal.service=\"baseLift\"; line=-; hair.lengths={\"level\":9,\"tone\":\"B\",\"history\":\"lightened\"}",
                "roots",
                20,
                "11N, 11AB+11N"
            },
            // Glosses.
            {
                "7 0 9V",
                "goal.service=\"gloss\"; line=-; hair.lengths={\"level\":9,\"tone\":\"G\",\"history\":\"lightened\",\"highlighted\":true}",
                "lengths",
                6,
                "9V, 10V+9V, 8V+9V"
            },
            {
                "7 0 10V",
                "goal.service=\"gloss\"; line=-; hair.lengths={\"level\":10,\"tone\":\"G\",\"history\":\"lightened\"}",
                "lengths",
                6,
                "10V, 10V+9V | 10N+10V"
            },
            {
                "6 0 7N",
                "goal.service=\"gloss\"; line=-; goal.lengthsCondition=\"dry\"; hair.lengths={\"level\":8,\"tone\":\"B\",\"history\":\"lightened\"}",
                "lengths",
                6,
                "7N"
            },
            { "6 0 8N", "goal.service=\"gloss\"; line=-; hair.lengths={\"level\":8,\"tone\":\"N\",\"history\":\"lightened\"}", "lengths", 6, "00" },
            {
                "6 50 6N",
                "goal.service=\"rootAndGloss\"; hair.lengths={\"level\":9,\"tone\":\"B\",\"history\":\"lightened\",\"highlighted\":true}",
                "lengths",
                6,
                "00"
            },
            { "5 50 5N", "goal.service=\"rootAndGloss\"; hair.lengths.level=5.5", "lengths", 6, "5N" },
            {
                "6 50 6N",
                "goal.service=\"rootAndGloss\"; goal.lengths={\"level\":9,\"tone\":\"V\"}; hair.lengths={\"level\":9,\"tone\":\"G\",\"history\":\"lightened\"}",
                "lengths",
                6,
                "9V, 10V+9V, 8V+9V"
            },
            // Lightened roots that wait for their tone.
            {
                "7 0 9.5V",
                "goal.service=\"gloss\"; line=-; hair.roots={\"level\":9.5,\"tone\":\"G\"}; hair.lengths={\"level\":9.5,\"tone\":\"V\",\"history\":\"lightened\"}",
                "lengths",
                6,
                "10V, 9V, 10V+9V"
            },
            {
                "4 0 7N",
                "hair.roots={\"level\":7,\"tone\":\"C\"}; hair.lengths={\"level\":7,\"tone\":\"N\",\"history\":\"lightened\"}",
                "roots",
                10,
                "7N, 7NN, 8NN, 7N+7NN, 8N"
            },
            // Roots and a refresh.
            { "7 60 7N", "goal.service=\"rootAndRefresh\"; hair.lengths.level=7.5", "roots", 20, "7N, 7NN, 7N+7NN" },
        };

    private static readonly string[] Between = [", ", " | "];

    [Theory]
    [MemberData(nameof(Heads))]
    public void The_engine_proposes_what_a_colourist_would_write_down(string head, string facts, string use, double volume, string signed)
    {
        var p = Bench.Prescribe(Facts(head, facts));
        var f = p.Formulas.Single(x => Core.Contract.Json.Name(x.Use) == use);
        Assert.Contains(string.Join("+", f.Parts.Select(x => x.Shade).Order(StringComparer.Ordinal)), signed.Split(Between, StringSplitOptions.None));
        Assert.Equal(volume, f.Developer.Volume.Value);
        Assert.DoesNotContain(p.Because, b => b.About == Topic.Attention && b.Rule.StartsWith("SH1", StringComparison.Ordinal) && b.Rule is not "SH1");
    }

    /// <summary>"5 40 5.5N": natural level, white, wish; the lengths are as the wish where nothing else is said.</summary>
    internal static string Facts(string head, string facts)
    {
        string[] said = head.Split(' ');
        string level = new([.. said[2].TakeWhile(ch => !char.IsLetter(ch))]),
            tone = said[2][level.Length..];
        return $"hair.texture=\"medium\"; hair.density=\"medium\"; hair.naturalLevel={said[0]}; allZones.greyPercent={said[1]}; goal.level={level}; goal.tone=\"{tone}\"; hair.lengths.level={level}; hair.lengths.tone=\"{tone}\"; hands.who=\"alone\"; hands.practised=true; {facts}";
    }
}
