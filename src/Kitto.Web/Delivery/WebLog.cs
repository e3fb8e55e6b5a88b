namespace Kitto.Web.Delivery;

/// <summary>What the site did that somebody may have to find again: ids, never a name.</summary>
internal static partial class WebLog
{
    [LoggerMessage(200, LogLevel.Information, "Signed in: {Person}")]
    public static partial void SignedIn(ILogger log, Guid person);

    [LoggerMessage(201, LogLevel.Warning, "Not signed in from {Address}; locked out: {LockedOut}")]
    public static partial void NotSignedIn(ILogger log, string? address, bool lockedOut);

    [LoggerMessage(202, LogLevel.Warning, "A letter with a link to a new password could not be sent")]
    public static partial void NoRecoveryLetter(ILogger log, Exception wrong);

    [LoggerMessage(210, LogLevel.Information, "Message {Message} sent")]
    public static partial void MessageSent(ILogger log, Guid message);

    [LoggerMessage(211, LogLevel.Warning, "Message {Message} not sent, try {Attempts}")]
    public static partial void MessageNotSent(ILogger log, Guid message, int attempts);

    [LoggerMessage(214, LogLevel.Warning, "A phone was not rung: {Says}")]
    public static partial void NotRung(ILogger log, string says);

    [LoggerMessage(212, LogLevel.Warning, "Messages could not be looked for; they are again in a minute.")]
    public static partial void NoMessages(ILogger log, Exception wrong);
}
