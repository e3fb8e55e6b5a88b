using System.Text.Json.Nodes;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Store;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.Clients;

/// <summary>What who learns would sign, and who countersigns it.</summary>
public sealed partial class PrescriptionModel
{
    private enum Signature
    {
        /// <summary>Signs, and that is it.</summary>
        Signs,

        /// <summary>Somebody has to countersign.</summary>
        Proposes,

        /// <summary>May not sign at all.</summary>
        None,
    }

    /// <summary>What waits of this client for a countersignature; null where nothing does.</summary>
    public Proposal? Proposed { get; private set; }

    /// <summary>Whether who is signed in signs anything in this house.</summary>
    public bool MaySign => User.Role() != Role.Learner || Record.Studio.CountersignUntil is not null;

    /// <summary>Whether who is signed in may countersign.</summary>
    public bool MayCountersign => User.Role() is Role.Owner or Role.Colourist;

    /// <summary>Whether what stands in the form is what was proposed, to the letter.</summary>
    public bool AsProposed =>
        Proposed is { } proposed && proposed.Mix == Mix && JsonNode.DeepEquals(JsonNode.Parse(proposed.Document), JsonNode.Parse(Values.Document().Text()));

    /// <summary>Whether signing it now is countersigning; what was changed is signed by who changed it.</summary>
    public bool Countersigns => MayCountersign && AsProposed && Proposed!.PersonId != User.Id();

    /// <summary>What the button says where it says something of its own; null: what follows from the decision.</summary>
    private string? SignAs =>
        Countersigns ? $"Countersign for {Proposed!.PersonName}"
        : User.Role() == Role.Learner ? "Sign, or propose"
        : null;

    /// <summary>Who learns signs alone where enough heads in a row were safe, else proposes. A stop is signed by whoever finds it: refusing hurts nobody, and what stops must not wait.</summary>
    private async Task<Signature> Signs(Prescription p) =>
        User.Role() != Role.Learner ? Signature.Signs
        : Record.Studio.CountersignUntil is not { } asked ? Signature.None
        : p.Decision == Decision.Stop || (await learning.Leave(User.Id())).Given(asked) ? Signature.Signs
        : Signature.Proposes;

    private async Task<IActionResult> Propose()
    {
        await proposals.Propose(Record.Client.Id, User.Id(), Values.Document().Text(), Mix, clock.GetUtcNow().UtcDateTime);
        await drafts.Drop(Record.Client.Id, User.Id());
        return Redirect($"/clients/{Record.Client.Id}/prescription?proposed");
    }

    /// <summary>Puts aside what was proposed.</summary>
    public async Task<IActionResult> OnPostPutAside(Guid id)
    {
        await proposals.PutAside(id, User.Id(), clock.GetUtcNow().UtcDateTime);
        return RedirectToPage(new { id });
    }
}
