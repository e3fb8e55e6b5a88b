using System.Security.Claims;
using Kitto.Store;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

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

    private sealed record Row(Role[] Read, Role[] Write, Dictionary<string, Role[]> But);

    private static readonly Dictionary<string, Row> Rows = new()
    {
        ["/Index"] = Of(See, Own),
        ["/Week"] = Of(See, Treat),
        ["/Outbox"] = Of(Treat, Treat),
        ["/Clients/Index"] = Of(See, Treat),
        ["/Clients/New"] = Of(Treat, Treat),
        ["/Clients/Edit"] = Of(Treat, Treat),
        ["/Clients/Detail"] = Of(See, Treat),
        ["/Clients/Data"] = Of(Treat, Own, ("Everything", Treat)),
        ["/Clients/Answers"] = Of(See, Treat),
        ["/Clients/Pictures"] = Of(See, Treat),
        ["/Clients/Comparison"] = Of(See, Treat),
        ["/Clients/Prescription"] = Of(See, Treat, ("Preview", See), ("WhatIf", See), ("Afresh", See), ("Sign", See)),
        ["/Prescriptions/Signed"] = Of(See, Treat),
        ["/KitSheet/Sheet"] = Of(All, Treat, ("Photo", See), ("Result", See), ("Move", Goods)),
        ["/Bench/Queue"] = Of(All, All),
        ["/Bench/Pack"] = Of(All, All),
        ["/Bench/Labels"] = Of(All, All),
        ["/ShelfPage"] = Of(All, Treat, ("Stock", Goods)),
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

    private static Row Of(Role[] read, Role[] write, params (string Handler, Role[] May)[] but) =>
        new(read, write, but.ToDictionary(b => b.Handler, b => b.May, StringComparer.OrdinalIgnoreCase));

    /// <summary>Who may do something on a page; empty: nobody.</summary>
    /// <param name="page">The page, as the framework names it.</param>
    /// <param name="writes">Whether something is done, not only looked at.</param>
    /// <param name="handler">Its handler; null: the plain one.</param>
    public static IReadOnlyList<Role> Who(string page, bool writes = false, string? handler = null) =>
        !Rows.TryGetValue(page, out var row) ? []
        : handler is not null && row.But.TryGetValue(handler, out var may) ? may
        : writes ? row.Write
        : row.Read;

    /// <summary>Whether who is signed in may open a page, or do something on it.</summary>
    public static bool May(this ClaimsPrincipal user, string page, bool writes = false, string? handler = null) =>
        user.Role() is { } role && Who(page, writes, handler).Contains(role);
}

/// <summary>Turns away who may not open a page or do what was asked of it.</summary>
public sealed class RightsFilter : IAuthorizationFilter
{
    public void OnAuthorization(AuthorizationFilterContext context)
    {
        if (context.ActionDescriptor is not PageActionDescriptor { ViewEnginePath: var page } || Rights.Open.Contains(page))
        {
            return;
        }

        var request = context.HttpContext.Request;
        string? handler = context.RouteData.Values["handler"] as string ?? request.Query["handler"].FirstOrDefault();
        bool reads = HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method);
        var user = context.HttpContext.User;
        if (user.May(page, !reads, string.IsNullOrEmpty(handler) ? null : handler))
        {
            return;
        }

        context.Result =
            user.Role() is null ? new ChallengeResult()
            // Whoever works at the bench begins there.
            : page == "/Index" && user.May("/Bench/Queue") ? new LocalRedirectResult("/bench")
            : new StatusCodeResult(StatusCodes.Status403Forbidden);
    }
}
