using System.Net.Http.Headers;
using System.Text;
using System.Text.RegularExpressions;

namespace Kitto.Bench.Fuzz;

/// <summary>Sends mutated forms and files to a running application, as someone signed in and as a client with her links, and looks for pages that fail.</summary>
/// <param name="http">With cookies, and a base address.</param>
/// <param name="seed">The same seed sends the same.</param>
public sealed partial class Forms(HttpClient http, int seed)
{
    private static readonly string[] SittingFields =
    [
        "begunFrom",
        "look",
        "mix",
        "why",
        "touched",
        "confirmed",
        "client.scalp",
        "client.conditions",
        "client.chemicalServiceDaysAgo",
        "client.reactions",
        "hair.naturalLevel",
        "hair.lengthCm",
        "hair.lengths.level",
        "hair.lengths.tone",
        "hair.lengths.history",
        "hair.band.lengthMm",
        "hair.band.level",
        "hair.texture",
        "hair.porosity",
        "hair.density",
        "goal.service",
        "goal.level",
        "goal.tone",
        "hands.who",
        "line",
        "plan.wantBy",
        "painting.order",
        "painting.sequence",
        "zones.crown.regrowthMm",
        "zones.crown.greyPercent",
        "zones.nape.include",
        "off.zones.crown.include",
    ];

    private static readonly Dictionary<string, string[]> Fields = new()
    {
        ["/clients/{client}/prescription?handler=Preview"] = SittingFields,
        ["/clients/{client}/prescription?handler=Keep"] = SittingFields,
        ["/clients/{client}/prescription?handler=Sign"] = SittingFields,
        ["/clients/{client}/prescription?handler=WhatIf"] = SittingFields,
        ["/clients/{client}/answers?handler=Take"] =
        [
            "begunFrom",
            "birthDate",
            "reactions",
            "blackHenna",
            "scalp",
            "is.eczema",
            "none.skin",
            "put.0.what",
            "put.0.year",
            "put.0.month",
            "put.0.day",
            "put.11.year",
            "other",
        ],
        ["/clients/{client}/answers?handler=Seen"] = ["upTo"],
        ["/clients/{client}?handler=Way"] = ["way", "reason", "back"],
        ["/clients/{client}?handler=Doubt"] = ["what", "reason"],
        ["/clients/{client}?handler=Correct"] = ["what"],
        ["/clients/new"] = ["Name", "BirthDate", "DestinationId", "Note", "Email", "Version"],
        ["/clients/{client}/edit"] = ["Name", "BirthDate", "DestinationId", "Note", "Email", "Version"],
        ["/house"] = ["Name", "Level", "CostShort", "CostLeft", "ScaleStep", "Version"],
        ["/shelf?handler=Stock&id=halyard-demi"] = ["version", "have"],
        ["/house/post"] = ["id", "name", "days", "transit", "TransitDays"],
        ["/kits/{kit}?handler=Move"] = ["from", "to", "version"],
        ["/kits/{kit}?handler=Agree"] = ["version"],
        ["/kits/{kit}?handler=Release"] = ["x"],
        ["{guide}?handler=PutOn"] = ["id", "line", "at", "moment"],
        ["{guide}?handler=Skin"] = ["id", "test", "result"],
        ["{guide}?handler=Strand"] = ["id", "result", "minutes"],
        ["{guide}?handler=Run"] = ["steps"],
        ["{guide}?handler=Report"] = ["id", "appliedOn", "coverage", "depth", "tone", "comfort", "leftGrams", "bowl", "reserve", "ranOut", "minutes", "note"],
        ["{guide}?handler=Start"] = ["id"],
        ["{guide}?handler=End"] = ["id"],
        ["/signin"] = ["UserName", "Password", "to"],
        ["{ask}"] = ["begunFrom", "birthDate", "reactions", "scalp", "put.0.what", "put.0.year", "other"],
    };

    private readonly Mutated made = new(seed);

    /// <summary>How many answers were looked at, and the pages that failed.</summary>
    public Judged Judged { get; } = new();

    /// <summary>Sends forms.</summary>
    /// <param name="count">How many.</param>
    /// <param name="places">Addresses of a client, a kit, a guide and questions, in that order, to put into the paths.</param>
    public async Task Send(int count, (string Client, string Kit, string Guide, string Ask) places)
    {
        string token = Token().Match(await http.GetStringAsync(new Uri($"/clients/{places.Client}/edit", UriKind.Relative))).Groups[1].Value;
        string[] paths = [.. Fields.Keys];
        for (int i = 0; i < count; i++)
        {
            string path = paths[made.Below(paths.Length)];
            var fields = new List<KeyValuePair<string, string>>();
            foreach (string field in Fields[path].Where(_ => made.Happens(.7)))
            {
                string name =
                    made.Happens(.05) ? field + "." + made.NastyText()
                    : made.Happens(.03) ? string.Join('.', Enumerable.Repeat("x", made.Below(80)))
                    : field;
                fields.Add(new(name, made.Happens(.5) ? made.NastyText() : made.Ordinary()));
                if (made.Happens(.03))
                {
                    fields.Add(new(field, made.NastyText()));
                }
            }

            fields.Add(new("__RequestVerificationToken", token));
            string to = path.Replace("{client}", places.Client, StringComparison.Ordinal)
                .Replace("{kit}", places.Kit, StringComparison.Ordinal)
                .Replace("{guide}", places.Guide, StringComparison.Ordinal)
                .Replace("{ask}", places.Ask, StringComparison.Ordinal);
            using var body = new StringContent(
                string.Join('&', fields.Select(f => $"{Uri.EscapeDataString(f.Key)}={Uri.EscapeDataString(f.Value)}")),
                Encoding.UTF8,
                "application/x-www-form-urlencoded"
            );
            await Look(to, await body.ReadAsStringAsync(), await http.PostAsync(new Uri(to, UriKind.Relative), body));
            if (i % 100 == 0)
            {
                foreach (
                    string page in (string[])
                        [
                            "/",
                            $"/clients/{places.Client}/prescription",
                            $"/clients/{places.Client}",
                            $"/kits/{places.Kit}",
                            places.Guide,
                            places.Ask,
                            "/shelf",
                            "/week",
                        ]
                )
                {
                    await Look(page, "", await http.GetAsync(new Uri(page, UriKind.Relative)));
                }
            }
        }
    }

    /// <summary>Sends files: as pictures of a test, and to the shelf.</summary>
    /// <param name="count">How many.</param>
    /// <param name="guide">The address of a guide.</param>
    /// <param name="picture">A good picture, to be spoilt.</param>
    public async Task SendFiles(int count, string guide, byte[] picture)
    {
        string token = Token().Match(await http.GetStringAsync(new Uri("/shelf", UriKind.Relative))).Groups[1].Value;
        for (int i = 0; i < count; i++)
        {
            using var file = new ByteArrayContent(made.File(picture));
            file.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
            using var body = new MultipartFormDataContent
            {
                { new StringContent(token), "__RequestVerificationToken" },
                { new StringContent(i % 2 == 0 ? "tooDark" : "right"), "result" },
                { file, i % 3 == 0 ? "file" : "photo", "name\u0001.jpg" },
            };
            string to = i % 3 == 0 ? "/shelf?handler=Import" : $"{guide}?handler={(i % 3 == 1 ? "Strand" : "Skin")}";
            await Look(to, $"file {i}", await http.PostAsync(new Uri(to, UriKind.Relative), body));
        }
    }

    private async Task Look(string to, string sent, HttpResponseMessage answer)
    {
        Judged.Seen();
        if ((int)answer.StatusCode >= 500)
        {
            Judged.Fault($"{(int)answer.StatusCode} at {to}", sent, await answer.Content.ReadAsStringAsync());
        }

        answer.Dispose();
    }

    [GeneratedRegex("name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
