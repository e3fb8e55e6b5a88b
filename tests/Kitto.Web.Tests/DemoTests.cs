namespace Kitto.Web.Tests;

/// <summary>The invented studio as it is loaded.</summary>
public sealed class DemoTests(Studio studio) : IClassFixture<Studio>
{
    /// <summary>Moments that are meant to lie ahead: when something ends or is looked at again.</summary>
    private static readonly string[] Ahead = ["link.expires_at", "kit_stand.look_at", "message.not_before", "sign_in_try.until"];

    [Fact]
    public async Task Nothing_in_the_demo_has_happened_later_than_now()
    {
        var columns = await studio.Db.List<string>(
            "select table_name || '.' || column_name from information_schema.columns where table_schema = 'public' and data_type = 'timestamp with time zone' order by 1"
        );
        Assert.Contains("safety_event.happened_at", columns);
        var late = new List<string>();
        foreach (string column in columns.Except(Ahead))
        {
            string[] at = column.Split('.');
            if (
                await studio.Db.One<DateTime?>($"select max({at[1]}) from {at[0]} where {at[1]} < 'infinity'") is { } last
                && last > DateTime.UtcNow.AddSeconds(1)
            )
            {
                late.Add($"{column}: {last:u}");
            }
        }

        Assert.Equal([], late);
    }
}
