using System.Security.Claims;
using Kitto.Store;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;

namespace Kitto.Web.Identity;

/// <summary>
/// Who may do what: one row a page, with who may open it, who may do something on it, and the handlers that are otherwise.
/// What stands in no row is nobody's.
/// </summary>
public static class Rights
{
    private static readonly Role[] Own = [Role.Owner],
        Treat = [Role.Owner, Role.Colourist],
        See = [Role.Owner, Role.Colourist, Role.Learner],
        Goods = [Role.Owner, Role.Colourist, Role.Bench],
        All = [Role.Owner, Role.Colourist, Role.Learner, Role.Bench];

    /// <summary>Pages anybody may open: what they show is asked for by a secret in their address, or is nobody's.</summary>
    public static IReadOnlySet<string> Open { get; } =
        new HashSet<string> { "/SignIn", "/SignInCode", "/Setup", "/Join", "/Recover", "/Problem", "/ClientGuide/Index", "/Ask/Index" };

    private sealed record Row(Role[] Read, Role[] Write, Dictionary<(bool Writes, string Handler), Role[]> But);

    private static readonly Dictionary<string, Row> Rows = new()
    {
        ["/Index"] = Of(See, Own),
        ["/Week"] = Of(See, Treat),
        ["/Outbox"] = Of(Treat, Treat),
        ["/Clients/Index"] = Of(See, Treat),
        ["/Clients/New"] = Of(Treat, Treat),
        ["/Clients/Edit"] = Of(Treat, Treat),
        ["/Clients/Detail"] = Of(See, Treat),
        ["/Clients/Data"] = Of(Treat, Own),
        ["/Clients/Answers"] = Of(See, Treat),
        ["/Clients/Pictures"] = Of(See, Treat),
        ["/Clients/Comparison"] = Of(See, Treat),
        ["/Clients/Prescription"] = Of(See, Treat, Post("Preview", See), Post("WhatIf", See), Post("Afresh", See), Post("Sign", See)),
        ["/Prescriptions/Signed"] = Of(See, Treat),
        ["/KitSheet/Sheet"] = Of(All, Treat, Get("Photo", See), Get("Result", See), Post("Move", Goods)),
        ["/Bench/Queue"] = Of(All, All),
        ["/Bench/Pack"] = Of(All, All),
        ["/Bench/Labels"] = Of(All, All),
        ["/ShelfPage"] = Of(All, Treat, Post("Stock", Goods)),
        ["/ShelfLine"] = Of(All, Treat),
        ["/ShelfStock"] = Of(All, Goods),
        ["/Ledger/Index"] = Of(Own, Own),
        ["/Ledger/Recall"] = Of(Treat, Treat),
        ["/Study/Index"] = Of(All, All),
        ["/Study/Head"] = Of(All, All),
        ["/Study/Rules"] = Of(All, All),
        ["/Study/Drill"] = Of(All, All),
        ["/Study/Round"] = Of(All, All),
        ["/RulesPage"] = Of(All, Own),
        ["/House"] = Of(Own, Own),
        ["/HousePeople"] = Of(Own, Own),
        ["/HouseTrail"] = Of(Own, Own),
        ["/HouseKeep"] = Of(Own, Own),
        ["/HousePrices"] = Of(Own, Own),
        ["/HouseScale"] = Of(Goods, Goods),
        ["/PostDays"] = Of(Own, Own),
        ["/Card"] = Of(All, Own),
        ["/Me"] = Of(All, All),
        ["/SignOut"] = Of(All, All),
    };

    private static Row Of(Role[] read, Role[] write, params ((bool Writes, string Handler) What, Role[] May)[] but) =>
        new(read, write, but.ToDictionary(b => b.What, b => b.May));

    private static ((bool, string), Role[]) Get(string handler, Role[] may) => ((false, handler), may);

    private static ((bool, string), Role[]) Post(string handler, Role[] may) => ((true, handler), may);

    /// <summary>Who may do something on a page; empty: nobody.</summary>
    /// <param name="page">The page, as the framework names it.</param>
    /// <param name="writes">Whether something is done, not only looked at.</param>
    /// <param name="handler">Its handler, as the page spells it; null: the plain one.</param>
    public static IReadOnlyList<Role> Who(string page, bool writes = false, string? handler = null) =>
        !Rows.TryGetValue(page, out var row) ? []
        : handler is not null && row.But.TryGetValue((writes, handler), out var may) ? may
        : writes ? row.Write
        : row.Read;

    /// <summary>Whether who is signed in may open a page, or do something on it.</summary>
    public static bool May(this ClaimsPrincipal user, string page, bool writes = false, string? handler = null) =>
        user.Role() is { } role && Who(page, writes, handler).Contains(role);
}

/// <summary>
/// Turns away who may not open a page or do what was asked of it. What counts is the handler that will run, found by the framework's own selector, never the name that was asked for.
/// A named handler that the page does not have is not found; a verb that the page does not answer is not allowed.
/// </summary>
public sealed class RightsFilter(IPageHandlerMethodSelector selector) : IAuthorizationFilter
{
    public void OnAuthorization(AuthorizationFilterContext context)
    {
        // The page that says what went wrong stands for any page and any verb.
        if (context.ActionDescriptor is not CompiledPageActionDescriptor { ViewEnginePath: var page } descriptor || page == "/Problem")
        {
            return;
        }

        var (request, user) = (context.HttpContext.Request, context.HttpContext.User);
        bool open = Rights.Open.Contains(page);
        if (!open && user.Role() is null)
        {
            context.Result = new ChallengeResult();
            return;
        }

        var handler = selector.Select(new PageContext(context) { ActionDescriptor = descriptor });
        string asked = Convert.ToString(context.RouteData.Values["handler"]) is { Length: > 0 } routed ? routed : request.Query["handler"].ToString();
        bool reads = HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method);
        if (asked.Length > 0 && !string.Equals(handler?.Name, asked, StringComparison.OrdinalIgnoreCase))
        {
            context.Result = new NotFoundResult();
        }
        else if (handler is null && !reads)
        {
            context.Result = new StatusCodeResult(StatusCodes.Status405MethodNotAllowed);
        }
        else if (!open && !user.May(page, handler is not null && handler.HttpMethod != "Get", handler?.Name))
        {
            // Whoever works at the bench begins there.
            context.Result =
                page == "/Index" && user.May("/Bench/Queue") ? new LocalRedirectResult("/bench") : new StatusCodeResult(StatusCodes.Status403Forbidden);
        }
    }
}
