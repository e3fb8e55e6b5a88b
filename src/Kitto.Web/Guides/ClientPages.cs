namespace Kitto.Web;

/// <summary>Names the resources that hold what a client's pages say in other languages than English: the English sentence is the key.</summary>
public sealed class ClientPages;

/// <summary>Names the resources that hold what their scripts say.</summary>
public sealed class ClientScripts;
