namespace Kitto.Core.Wording;

/// <summary>Shares as people say them.</summary>
public static class Parts
{
    /// <summary>A share in a sentence: "a tenth", "half", or in percent where there is no word for it.</summary>
    /// <param name="share">0 to 1.</param>
    public static string Say(double share) =>
        Math.Round(share, 3) switch
        {
            .1 => "a tenth",
            .2 => "a fifth",
            .25 => "a quarter",
            .333 => "a third",
            .5 => "half",
            .667 => "two thirds",
            .75 => "three quarters",
            _ => FormattableString.Invariant($"{share * 100:0.#} %"),
        };
}
