using Yarp.ReverseProxy.Configuration;
using Yarp.ReverseProxy.Health;

// A small proxy in front of the nodes that are named: it asks each whether it is ready, and leaves out one that is not or that fails.
//   Kitto.Proxy --urls http://127.0.0.1:PORT http://127.0.0.1:NODE http://127.0.0.1:NODE
var builder = WebApplication.CreateBuilder(args);
builder.Logging.ClearProviders();
var nodes = args.Where(a => a.StartsWith("http://", StringComparison.Ordinal) && a != builder.Configuration["urls"])
    .Select((address, at) => (Name: $"node{at}", Destination: new DestinationConfig { Address = address }))
    .ToDictionary(n => n.Name, n => n.Destination);
builder
    .Services.AddReverseProxy()
    .LoadFromMemory(
        [
            new RouteConfig
            {
                RouteId = "all",
                ClusterId = "nodes",
                Match = new RouteMatch { Path = "{**all}" },
                Transforms = [new Dictionary<string, string> { ["RequestHeaderOriginalHost"] = "true" }],
            },
        ],
        [
            new ClusterConfig
            {
                ClusterId = "nodes",
                LoadBalancingPolicy = "RoundRobin",
                Destinations = nodes,
                HealthCheck = new HealthCheckConfig
                {
                    Active = new ActiveHealthCheckConfig
                    {
                        Enabled = true,
                        Interval = TimeSpan.FromMilliseconds(500),
                        Timeout = TimeSpan.FromSeconds(2),
                        Path = "/healthz",
                    },
                    Passive = new PassiveHealthCheckConfig
                    {
                        Enabled = true,
                        Policy = "TransportFailureRate",
                        ReactivationPeriod = TimeSpan.FromSeconds(2),
                    },
                },
                Metadata = new Dictionary<string, string>
                {
                    ["TransportFailureRateHealthPolicy.RateLimit"] = "0.2",
                    ["ConsecutiveFailuresHealthPolicy.Threshold"] = "1",
                },
            },
        ]
    );

// One failure is enough to look elsewhere for a moment; an old one is soon forgotten.
builder.Services.Configure<TransportFailureRateHealthPolicyOptions>(o => (o.DetectionWindowSize, o.MinimalTotalCountThreshold) = (TimeSpan.FromSeconds(2), 1));
var app = builder.Build();
app.MapReverseProxy();
app.Run();
