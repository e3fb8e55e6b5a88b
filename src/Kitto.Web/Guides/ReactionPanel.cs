using Kitto.Core;

namespace Kitto.Web.Guides;

/// <summary>The panel behind "It burns or itches", on every page of a client.</summary>
/// <param name="Token">The link.</param>
/// <param name="Id">The id of the report; sent twice it is one.</param>
/// <param name="Told">Whether a reaction was reported already.</param>
/// <param name="Felt">Where the colour most likely is.</param>
/// <param name="Ambulance">The local emergency number.</param>
public sealed record ReactionPanel(string Token, Guid Id, bool Told, FeltWhen Felt, string Ambulance);

/// <summary>A page that says stop.</summary>
/// <param name="Felt">Where the colour is.</param>
/// <param name="Ambulance">The local emergency number.</param>
/// <param name="Since">When the studio got it, UTC; null: that is not known.</param>
/// <param name="Studio">Whose clock is meant; null with no moment.</param>
public sealed record StopPage(FeltWhen Felt, string Ambulance, DateTime? Since = null, Store.Studio? Studio = null);
