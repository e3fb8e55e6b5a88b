using Kitto.Core.Safety;
using Kitto.Store.Commands;

namespace Kitto.Web.Guides;

/// <summary>Takes down that something burned, itched, swelled or went red. Nothing that is wrong with the rest of a form stands in its way.</summary>
public sealed class ReactionRecorder(GuideAccess guides, SafetyCommands commands, TimeProvider clock)
{
    /// <summary>Takes it down.</summary>
    /// <param name="token">Any link that ever was the client's.</param>
    /// <param name="form">What was posted: an id and what happened, both as they come.</param>
    /// <param name="says">What it was told with.</param>
    /// <param name="test">The skin test it is of; null: none.</param>
    /// <returns>The id it is kept under; null only where the link never was one of ours.</returns>
    public async Task<Guid?> Take(string token, IFormCollection form, string says, Guid? test = null)
    {
        if (await guides.Owner(token) is not { } owner)
        {
            return null;
        }

        string told = form["happened"].ToString().Trim();
        var who = Who(form, clock.GetUtcNow().UtcDateTime);
        return await commands.React(
            owner.ClientId,
            record =>
                KitLife.React(
                    who,
                    owner.Kit?.Id,
                    told.Length > 0 ? $"{says}: {told}" : says,
                    record.Events.FirstOrDefault(e => e.Id == test && e.Kind == SafetyKind.SkinOn)?.Line,
                    record.Events.Any(e => e.Id == test && e.Kind == SafetyKind.SkinOn) ? test : null
                )
        );
    }

    /// <summary>The client, under the id the page was made with; a page without one gets a new one.</summary>
    public static Speaker Who(IFormCollection form, DateTime now) =>
        new(Guid.TryParse(form["id"], out var id) && id != Guid.Empty ? id : Guid.CreateVersion7(), now, Speaker.Client);
}
