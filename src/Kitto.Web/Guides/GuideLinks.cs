using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.DataProtection;

namespace Kitto.Web.Guides;

/// <summary>Links to guides: made with the kit, shown again to the studio, closed one by one.</summary>
public sealed class GuideLinks(Links links, IDataProtectionProvider keys, TimeProvider clock)
{
    private readonly IDataProtector keeper = keys.CreateProtector("Kitto.GuideLink");

    /// <summary>Makes one; those before it stay open.</summary>
    /// <param name="kitId">The kit.</param>
    /// <param name="site">The site as clients reach it, without a slash at its end; null where nobody asked through it.</param>
    public Task<string> Make(Guid kitId, string? site) => links.ToGuide(kitId, clock.GetUtcNow().UtcDateTime, keeper.Protect, site);

    /// <summary>Links of a kit that are open, the newest first.</summary>
    public async Task<IReadOnlyList<Link>> Open(Guid kitId)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        return [.. (await links.OfKit(kitId)).Where(l => l.ClosedAt(now) is null)];
    }

    /// <summary>Closes one.</summary>
    public Task Close(Guid kitId, Guid id) => links.Close(kitId, id, clock.GetUtcNow().UtcDateTime);

    /// <summary>The address of a link; null where it was made to be shown once, or the keys it was kept with are lost.</summary>
    /// <param name="link">The link.</param>
    /// <param name="site">The site, where the link does not know its own.</param>
    public string? Address(Link link, string? site = null) =>
        link.Sealed is { } kept && (link.Site ?? site) is { } under && Sealing.Opened(() => keeper.Unprotect(kept)) is { } token ? $"{under}/g/{token}" : null;

    /// <summary>The address of the newest open link that can be shown; null where there is none.</summary>
    public async Task<string?> Newest(Guid kitId) => (await Open(kitId)).Select(l => Address(l)).FirstOrDefault(a => a is not null);
}
