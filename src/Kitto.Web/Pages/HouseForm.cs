using Kitto.Core.Shade;

namespace Kitto.Web.Pages;

/// <summary>The values as typed.</summary>
public sealed class HouseForm
{
    public string? Name { get; set; }
    public string? Phone { get; set; }
    public string? Country { get; set; }
    public string? Emergency { get; set; }
    public string? AlarmEmail { get; set; }
    public string? Address { get; set; }
    public string? TrailYears { get; set; }
    public string? KeepYears { get; set; }
    public string? Level { get; set; }
    public string? CostShort { get; set; }
    public string? CostLeft { get; set; }
    public string? ScaleStep { get; set; }
    public Dictionary<LineKind, string?> Lines { get; set; } = [];
    public int Version { get; set; }
}
