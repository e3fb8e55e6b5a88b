using System.Globalization;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Cases;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>The client's own page: tests, steps, report. What is locked is not in the page at all.</summary>
public sealed class IndexModel(GuideDoor door, TestDesk desk, RunDesk run, Runs runs, Reports reports, Shelf shelf, TimeProvider clock) : PageModel
{
    /// <summary>What she may say of a scalp; the last is a reaction.</summary>
    public static readonly IReadOnlyList<(string Name, string Says)> Comforts =
        [("fine", "Nothing"), ("tingled", "It tingled a little"), ("reacted", "It burned, itched, swelled or went red")];

    public OpenGuide? Open { get; private set; }

    public string Token { get; private set; } = "";

    public string Closed { get; private set; } = "";

    /// <summary>What was typed, to be given back.</summary>
    public Dictionary<string, string> Typed { get; } = [];

    public Dictionary<string, string> Wrong { get; } = [];

    public string? Said { get; private set; }

    public DateOnly Today { get; private set; }

    public Shelf Shelf => shelf;

    public string Now => Open!.Studio.Local(clock.GetUtcNow().UtcDateTime).ToString("yyyy-MM-ddTHH:mm");

    /// <summary>Which part of the page she is in.</summary>
    public string Part => Open switch
    {
        { Kit.State: "stopped" } => "stopped",
        { Kit.State: "closed", Outcome: null } => "over",
        { Outcome: not null } => "reported",
        { Tests.Unlocked: true } => "day",
        _ => "tests",
    };

    public async Task<IActionResult> OnGet(string token) => await Load(token) ? Page() : Page410();

    public async Task<IActionResult> OnPostPutOn(string token, string line, string at)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        var now = clock.GetUtcNow().UtcDateTime;
        var stand = Open!.Tests.Skin.FirstOrDefault(s => s.Line == line);
        if (stand is null || Part != "tests" || stand.Stage is not (SkinStage.NotYet or SkinStage.Expired))
        {
            return Again(null, "This test has been started already.");
        }

        Typed["at"] = at;
        if (!DateTime.TryParseExact(at, "yyyy-MM-ddTHH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out var local))
        {
            return Again("at", "Give the day and the time you put it on.");
        }

        var utc = Open.Studio.Utc(local);
        if (Open.Kit.PackedAt is not { } made)
        {
            return Again("at", "Your kit is not packed yet, and the test uses its own sachet. Wait until it is with you.");
        }

        // The field holds whole minutes, so the minute of packing counts as after it.
        if (utc > now.AddMinutes(2) || utc < made.AddMinutes(-1))
        {
            return Again("at", utc > now ? "This is in the future." : $"The kit was only packed on {Open.Studio.Local(made):d MMM, HH:mm}; the test uses its own sachet.");
        }

        return await Try(() => desk.PutOn(Open.Kit.Id, line, utc > now ? now : utc, "client"));
    }

    public async Task<IActionResult> OnPostSkin(string token, string line, string result, IFormFile? photo)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        // A reaction is taken at once, whatever came with it.
        var picture = await Picture(photo);
        if (Wrong.ContainsKey("photo") && result != "reacted")
        {
            return Page();
        }

        var test = Open!.Tests.Skin.FirstOrDefault(s => s.Line == line)?.Test;
        return test is { Result: null } && test.KitId == Open.Kit.Id && result is "clear" or "reacted"
            ? await Try(() => desk.ReportSkin(Open.Kit, test!, result == "clear", "", picture))
            : Again(null, "This test has been reported already.");
    }

    public async Task<IActionResult> OnPostStrand(string token, string? result, string? minutes, IFormFile? photo)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        (Typed["result"], Typed["minutes"]) = (result ?? "", minutes ?? "");
        if (Part != "tests" || !Open!.Tests.SkinClear)
        {
            return Again(null, "The skin test comes first.");
        }

        if (result is not ("right" or "tooLight" or "tooDark" or "tooWarm" or "tooCool" or "greyShows" or "damaged"))
        {
            return Again("result", "Say how the strand came out.");
        }

        if (!TryNumber(minutes, 1, 120, out double? took))
        {
            return Again("minutes", "1 to 120 minutes, or leave it empty.");
        }

        var picture = await Picture(photo);
        if (Wrong.ContainsKey("photo") && result != "damaged")
        {
            return Page();
        }

        return await Try(() => desk.ReportStrand(Open.Kit, Open.Prescription.Formulas[0].Line, result, took, "", "client", picture));
    }

    /// <summary>Where the run stands: for a reload, another device, or the next moment.</summary>
    public async Task<IActionResult> OnGetRun(string token) =>
        await Load(token) && Part == "day" ? new JsonResult(await run.Stand(Open!)) : Page410();

    /// <summary>Steps as they were done, however late they come; what is locked takes none.</summary>
    public async Task<IActionResult> OnPostRun(string token, string? steps)
    {
        if (!await Load(token) || Part != "day")
        {
            return Page410();
        }

        await runs.Add(Open!.Kit.Id, run.Read(steps ?? "", Open.Guide.Steps.Count + 1, Open.Signed.SignedAt), clock.GetUtcNow().UtcDateTime);
        return new JsonResult(await run.Stand(Open));
    }

    /// <summary>The one button on every screen.</summary>
    public async Task<IActionResult> OnPostBurns(string token)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        return await Try(() => desk.Burns(Open!.Kit, Open.Prescription.Formulas[0].Line, "client"));
    }

    public async Task<IActionResult> OnPostReport(string token)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        foreach (var (name, value) in Request.Form)
        {
            Typed[name] = value.ToString();
        }

        if (Open!.Outcome is { } earlier)
        {
            return Again(null, $"This kit was reported on {Open.Studio.Local(earlier.ReportedAt):d MMM, HH:mm}. Your colourist has that report; call if it was wrong.");
        }

        if (!Open.Tests.WasClear || Open.Kit.State is "stopped" or "closed")
        {
            return Again(null, "A report is taken once both tests are clear.");
        }

        if (ReadReport() is not { } report)
        {
            return Page();
        }

        return await Try(async () =>
        {
            await reports.AddOutcome(report);
            if (report.Comfort == "reacted")
            {
                await desk.Burns(Open.Kit, Open.Prescription.Formulas[0].Line, "client");
            }
        });
    }

    private OutcomeReport? ReadReport()
    {
        var quantity = Open!.Prescription.Quantity!;
        double most = Math.Round(quantity.SendGrams.Value - quantity.ResidueGrams.Value - 0.1, 1);
        bool ranOut = Typed.GetValueOrDefault("ranOut") == "true";
        string Choice(string name, IEnumerable<string> allowed, string ask)
        {
            string chosen = Typed.GetValueOrDefault(name, "");
            if (!allowed.Contains(chosen))
            {
                Wrong[name] = ask;
            }

            return chosen;
        }

        string coverage = Choice("coverage", Enum.GetValues<Coverage>().Select(Json.Name), "Say whether white shows.");
        string depth = Choice("depth", Enum.GetValues<Depth>().Select(Json.Name), "Say how dark it came out.");
        string tone = Choice("tone", Enum.GetValues<ToneOutcome>().Select(Json.Name), "Say how warm it came out.");
        string comfort = Choice("comfort", Comforts.Select(c => c.Name), "Say how the scalp felt.");
        // Grams that were weighed count; else the picture of the bowl, which is a judgement.
        bool weighed = !string.IsNullOrWhiteSpace(Typed.GetValueOrDefault("leftGrams"));
        double? left = null;
        if (weighed && !TryNumber(Typed["leftGrams"], 0, most, out left))
        {
            Wrong["leftGrams"] = $"0 to {most:0.#} grams: of {quantity.SendGrams} sent, {quantity.ResidueGrams} stays on the bowl.";
        }
        else if (!weighed && !ranOut)
        {
            if (double.TryParse(Typed.GetValueOrDefault("bowl"), NumberStyles.Float, CultureInfo.InvariantCulture, out double full) && Leftover.Pictures.Contains(full))
            {
                left = Leftover.Judged(Open.Prescription, Share.Of(full), Typed.GetValueOrDefault("reserve") == "true").Value;
            }
            else
            {
                Wrong["leftGrams"] = "Tap the bowl that looks like yours, or give the grams.";
            }
        }

        if (!TryNumber(Typed.GetValueOrDefault("minutes"), 1, 240, out double? minutes))
        {
            Wrong["minutes"] = "1 to 240 minutes, or leave it empty.";
        }

        if (!DateOnly.TryParseExact(Typed.GetValueOrDefault("appliedOn"), "yyyy-MM-dd", out var day))
        {
            Wrong["appliedOn"] = "Give the day you coloured.";
        }
        else if (day > Today || day < DateOnly.FromDateTime(Open.Studio.Local(Open.Signed.SignedAt)))
        {
            Wrong["appliedOn"] = day > Today ? "This day is in the future." : "That was before this kit was made.";
        }

        string note = Typed.GetValueOrDefault("note", "").Trim();
        if (note.Length > 1000)
        {
            Wrong["note"] = "At most 1000 characters.";
        }

        return Wrong.Count > 0 ? null : new OutcomeReport(Open.Kit.Id, day, coverage, depth, tone, ranOut ? 0 : left!.Value, ranOut, weighed || ranOut, comfort, minutes, note, clock.GetUtcNow().UtcDateTime, null);
    }

    /// <summary>The picture that came with a test; none is no complaint.</summary>
    private async Task<byte[]?> Picture(IFormFile? photo)
    {
        if (photo is not { Length: > 0 })
        {
            return null;
        }

        byte[]? taken = null;
        if (photo.Length <= Photo.MostBytes)
        {
            using var file = new MemoryStream();
            await photo.CopyToAsync(file);
            taken = Photo.Take(file.ToArray());
        }

        if (taken is null)
        {
            Wrong["photo"] = $"This picture cannot be read. It must be {Photo.Range}; or send your report without one.";
        }

        return taken;
    }

    private static bool TryNumber(string? text, double min, double max, out double? number)
    {
        number = TypedNumber.Read(text, min, max);
        return number is not null || string.IsNullOrWhiteSpace(text);
    }

    private async Task<IActionResult> Try(Func<Task> act)
    {
        try
        {
            await act();
            return Redirect($"/g/{Token}");
        }
        catch (ConflictException conflict)
        {
            return Again(null, conflict.Message);
        }
    }

    private PageResult Again(string? field, string says)
    {
        if (field is null)
        {
            Said = says;
        }
        else
        {
            Wrong[field] = says;
        }

        return Page();
    }

    private async Task<bool> Load(string token)
    {
        Token = token;
        Response.Headers.CacheControl = "no-store";
        (Open, string? closed) = await door.Open(token);
        Closed = closed ?? "";
        Today = Open?.Studio.Today(clock.GetUtcNow()) ?? default;
        return Open is not null;
    }

    private PageResult Page410()
    {
        Response.StatusCode = StatusCodes.Status410Gone;
        return Page();
    }
}
