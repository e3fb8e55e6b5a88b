using Kitto.Core.Reasons;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Web.Consultations;
using Kitto.Web.Guides;
using Kitto.Web.Pictures;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Pages.Ask;

/// <summary>The questions as the client answers them, from her link. One link is good for one answer.</summary>
[IgnoreAntiforgeryToken]
public sealed class QuestionsModel(
    ConsultationRecorder recorder,
    CaseBuilder cases,
    GuideAccess guides,
    Store.Clients clients,
    SentPictures sent,
    TimeProvider clock,
    IStringLocalizer<ClientPages> text
) : PageModel
{
    public string Token { get; private set; } = "";

    /// <summary>Whether a reaction can be told through this link, closed or not.</summary>
    public bool TakesReactions { get; private set; }

    public Client? Client { get; private set; }

    public string Closed { get; private set; } = "";

    public string StudioName { get; private set; } = "";

    public bool FirstKit { get; private set; }

    public AnswersForm? Form { get; private set; }

    /// <summary>The word the client wants to be spoken of by.</summary>
    public string SpokenOf =>
        Pronouns.Choices.Contains(Request.HasFormContentType ? Request.Form["spokenOf"].ToString() : "")
            ? Request.Form["spokenOf"].ToString()
            : Client!.SpokenOf;

    /// <summary>The language the client wants to read.</summary>
    public string Reads => Request.HasFormContentType ? Language.Of(Request.Form["reads"]).Tag : Client!.Language;

    public string? Said { get; private set; }

    /// <summary>The stops in what was sent; null before it was sent.</summary>
    public IReadOnlyList<Reason>? Sent { get; private set; }

    public async Task<IActionResult> OnGet(string token)
    {
        if (await Load(token) is not { } open)
        {
            return await Answered(token) ? Page() : Page410();
        }

        Form = AnswersForm.Begin(open.Record);
        return Page();
    }

    public async Task<IActionResult> OnPost(string token)
    {
        if (await Load(token) is not { } open)
        {
            // Sent twice it is one.
            return await Answered(token) ? Redirect($"/ask/{token}") : Page410();
        }

        Form = AnswersForm.Posted(Request.Form, open.Record.Told);
        if (Form.Read(open.Record.Today, text) is not { } told)
        {
            Said =
                Form.Wrong.Count == 1
                    ? text["One question has no answer yet. Look for the red line."]
                    : text["{0} questions have no answer yet. Look for the red lines.", Form.Wrong.Count];
            return Page();
        }

        try
        {
            await recorder.Keep(open.Record, Form.BegunFrom, told, null, link: open.Link.Id);
            await clients.Speak(open.Record.Client.Id, SpokenOf, Reads);
            return Redirect($"/ask/{token}");
        }
        catch (ConflictException conflict)
        {
            Said = conflict.Message;
        }

        return Page();
    }

    /// <summary>Loads what a link was answered with, while pictures still come through it; false where it was not, or long ago.</summary>
    private async Task<bool> Answered(string token)
    {
        if (
            await Sender(token) is not { Link.RevokedAt: { } closed } owner
            || await cases.Load(owner.ClientId) is not { Answers: [var last, ..] } record
            // The link was closed by these answers and not by a newer link.
            || (last.AnsweredAt - closed).Duration() > TimeSpan.FromSeconds(1)
        )
        {
            return false;
        }

        (Client, StudioName) = (record.Client, record.Studio.Name);
        Sent = record.Told is { } told ? ConsultationRecorder.Stops(record, told) : [];
        return true;
    }

    /// <summary>The panel of the stop button.</summary>
    public ReactionPanel Panel => new(Token, Guid.CreateVersion7(), false, Core.FeltWhen.OnHead, Ambulance);

    /// <summary>The local emergency number.</summary>
    public string Ambulance { get; private set; } = Core.Safety.EmergencyNumbers.Everywhere;

    /// <summary>Pictures are taken through a link for so long after it was answered.</summary>
    private static readonly TimeSpan PicturesFor = TimeSpan.FromHours(24);

    /// <summary>Whose link it is, while pictures come through it: open, or answered within a day.</summary>
    private async Task<LinkOwner?> Sender(string token)
    {
        Token = token;
        var now = clock.GetUtcNow().UtcDateTime;
        return await guides.Owner(token) is { Kit: null } owner && (owner.Link.ClosedAt(now) is not { } closed || closed > now - PicturesFor) ? owner : null;
    }

    /// <summary>What is asked for and what came; null where no pictures come through this link.</summary>
    public async Task<HeadPicturesView?> HeadPictures() =>
        await Sender(Token) is { } owner ? new HeadPicturesView($"/ask/{Token}", sent, await sent.Asked(owner), PictureWrong) : null;

    /// <summary>What is wrong with a picture that was just sent.</summary>
    public string? PictureWrong { get; private set; }

    /// <summary>Takes a picture of the head, or a piece of one.</summary>
    public async Task<IActionResult> OnPostPicture(string token, IFormFile? photo)
    {
        if (await Sender(token) is not { } owner)
        {
            return await OnGet(token);
        }

        var stand = await sent.Take(owner, Request.Form, photo, HttpContext.RequestAborted);
        if (Request.Form.ContainsKey("from"))
        {
            return new JsonResult(stand);
        }

        PictureWrong = stand.Wrong;
        return stand.Done ? Redirect($"/ask/{Token}#pictures") : await OnGet(token);
    }

    /// <summary>Takes a picture away again.</summary>
    public async Task<IActionResult> OnPostPictureGone(string token, Guid id)
    {
        if (await Sender(token) is { } owner)
        {
            await sent.Drop(owner, id);
        }

        return Redirect($"/ask/{Token}#pictures");
    }

    private async Task<(Link Link, ClientRecord Record)?> Load(string token)
    {
        (Token, TakesReactions, Ambulance) = (token, await guides.Owner(token) is not null, await guides.Ambulance(token));
        (var link, Client, string? closed) = await recorder.Open(token);
        Closed = closed ?? "";
        if (link is null || Client is null || await cases.Load(Client.Id) is not { } record)
        {
            Client = null;
            return null;
        }

        FirstKit = record.LastSigned is null;
        StudioName = record.Studio.Name;
        return (link, record);
    }

    private PageResult Page410()
    {
        Response.StatusCode = StatusCodes.Status410Gone;
        return Page();
    }
}
