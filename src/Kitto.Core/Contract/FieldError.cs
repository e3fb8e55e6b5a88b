namespace Kitto.Core.Contract;

/// <summary>One thing wrong with what was given.</summary>
/// <param name="Path">Where, such as zones.leftTemple.regrowthMm.</param>
/// <param name="Says">What is wrong, in words.</param>
/// <param name="Range">What is allowed.</param>
public sealed record FieldError(string Path, string Says, string Range);
