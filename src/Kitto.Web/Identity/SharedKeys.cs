using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Xml.Linq;
using Kitto.Store;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.DataProtection.Repositories;
using Microsoft.Extensions.Options;

namespace Kitto.Web.Identity;

/// <summary>Keys that seal cookies and links, where every node finds them: in the database, encrypted with a certificate; or in a folder of this machine.</summary>
public static class SharedKeys
{
    /// <summary>Sets them up from KITTO_KEYS_CERTIFICATE (a PKCS #12 file) with KITTO_KEYS_PASSWORD, or KITTO_KEYS (a folder).</summary>
    /// <exception cref="InvalidOperationException">The certificate cannot be read; the message names the setting.</exception>
    public static void Add(WebApplicationBuilder builder)
    {
        var settings = builder.Configuration;
        if (settings["KITTO_KEYS_CERTIFICATE"] is { Length: > 0 } file)
        {
            X509Certificate2 certificate;
            try
            {
                certificate = X509CertificateLoader.LoadPkcs12FromFile(file, settings["KITTO_KEYS_PASSWORD"]);
            }
            catch (Exception cannot) when (cannot is CryptographicException or IOException or UnauthorizedAccessException)
            {
                throw new InvalidOperationException(
                    $"KITTO_KEYS_CERTIFICATE is {file}, which cannot be read as a PKCS #12 file with KITTO_KEYS_PASSWORD: {cannot.Message}",
                    cannot
                );
            }

            builder
                .Services.AddDataProtection()
                .SetApplicationName("Kitto")
                .ProtectKeysWithCertificate(certificate)
                .UnprotectKeysWithAnyCertificate(certificate);
            builder.Services.AddSingleton<IConfigureOptions<KeyManagementOptions>>(s => new ConfigureOptions<KeyManagementOptions>(o =>
                o.XmlRepository = new InDatabase(s.GetRequiredService<Nodes>())
            ));
        }
        else if (settings["KITTO_KEYS"] is { Length: > 0 } folder)
        {
            builder.Services.AddDataProtection().SetApplicationName("Kitto").PersistKeysToFileSystem(new DirectoryInfo(folder));
        }
    }

    /// <summary>The framework asks for keys without waiting; it does so at the start and when one runs out.</summary>
    private sealed class InDatabase(Nodes nodes) : IXmlRepository
    {
        public IReadOnlyCollection<XElement> GetAllElements() => [.. Task.Run(nodes.Keys).GetAwaiter().GetResult().Select(XElement.Parse)];

        public void StoreElement(XElement element, string friendlyName) =>
            Task.Run(() => nodes.Keep(friendlyName, element.ToString(SaveOptions.DisableFormatting))).GetAwaiter().GetResult();
    }
}
