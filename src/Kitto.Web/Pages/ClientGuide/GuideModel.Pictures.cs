using Kitto.Web.Pictures;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>Pictures of how it came out and for the next kit.</summary>
public sealed partial class GuideModel
{
    /// <summary>What is asked for and what came.</summary>
    public async Task<HeadPicturesView> HeadPictures() =>
        new($"/g/{Token}", sent, await sent.Asked((await guides.Owner(Token))!), Wrong.GetValueOrDefault("picture"));

    /// <summary>Takes a picture, or a piece of one.</summary>
    public async Task<IActionResult> OnPostPicture(string token, IFormFile? photo)
    {
        if (!await Load(token) || await guides.Owner(token) is not { } owner)
        {
            return Page410();
        }

        var stand = await sent.Take(owner, Request.Form, photo, HttpContext.RequestAborted);
        if (Request.Form.ContainsKey("from"))
        {
            return new JsonResult(stand);
        }

        if (stand.Done)
        {
            return Redirect($"/g/{Token}#pictures");
        }

        Wrong["picture"] = stand.Wrong!;
        return Page();
    }

    /// <summary>Pictures that waited on a phone since before they were asked for by what they show.</summary>
    public Task<IActionResult> OnPostPhoto(string token, IFormFile? photo) => OnPostPicture(token, photo);

    /// <summary>Takes a picture away again.</summary>
    public async Task<IActionResult> OnPostPictureGone(string token, Guid id)
    {
        if (!await Load(token) || await guides.Owner(token) is not { } owner)
        {
            return Page410();
        }

        await sent.Drop(owner, id);
        return Redirect($"/g/{Token}#pictures");
    }
}
