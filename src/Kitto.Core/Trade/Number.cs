using System.Globalization;
using System.Reflection;
using Kitto.Core.Wording;

namespace Kitto.Core.Trade;

/// <summary>Where a number of the trade comes from.</summary>
public enum Source
{
    /// <summary>Common practice.</summary>
    Practice,

    /// <summary>Ours: chosen so that the rest of the rule comes out as the trade has it.</summary>
    Ours,

    /// <summary>Published; named at the number.</summary>
    Published,
}

/// <summary>Marks a number of the trade with its rule, unit and source.</summary>
/// <param name="rule">Id of the rule it belongs to.</param>
/// <param name="unit">Its unit, as in a sentence.</param>
/// <param name="source">Where it comes from.</param>
[AttributeUsage(AttributeTargets.Field)]
public sealed class NumberAttribute(string rule, string unit, Source source = Source.Practice) : Attribute
{
    /// <summary>Id of the rule.</summary>
    public string Rule { get; } = rule;

    /// <summary>Its unit.</summary>
    public string Unit { get; } = unit;

    /// <summary>Where it comes from.</summary>
    public Source Source { get; } = source;
}

/// <summary>A number of the trade, as it is listed.</summary>
/// <param name="Name">Its name in <see cref="Values"/>.</param>
/// <param name="Value">The number.</param>
/// <param name="Rule">Id of its rule.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record Number(string Name, double Value, string Rule, string Unit, Source Source)
{
    /// <summary>Every number of the trade.</summary>
    public static IReadOnlyList<Number> All { get; } =
    [
        .. from field in typeof(Values).GetFields(BindingFlags.Public | BindingFlags.Static)
        let of = field.GetCustomAttribute<NumberAttribute>()
        where of is not null
        select new Number(field.Name, Convert.ToDouble(field.GetRawConstantValue(), CultureInfo.InvariantCulture), of.Rule, of.Unit, of.Source),
    ];

    /// <summary>A sentence with the numbers it names in braces filled in; a share in percent where a % follows, else as people say it.</summary>
    /// <exception cref="InvalidOperationException">It names none that there is.</exception>
    public static string Fill(string sentence)
    {
        foreach (var number in sentence.Contains('{', StringComparison.Ordinal) ? All : [])
        {
            sentence = sentence
                .Replace($"{{{number.Name}}} %", $"{Written(number.Value * 100)} %", StringComparison.Ordinal)
                .Replace($"{{{number.Name}}}", number.Unit == "share" ? Parts.Say(number.Value) : Written(number.Value), StringComparison.Ordinal);
        }

        return sentence.Contains('{', StringComparison.Ordinal) ? throw new InvalidOperationException($"No such number of the trade: {sentence}") : sentence;
    }

    private static string Written(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);
}
