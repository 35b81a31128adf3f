using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using System.Threading.RateLimiting;
using Incisura.Core.Records;
using Incisura.Web.Accounts;
using Incisura.Web.Calculate;
using Incisura.Web.Coverage;
using Incisura.Web.Demo;
using Incisura.Web.Editions;
using Incisura.Web.Find;
using Incisura.Web.FirstDay;
using Incisura.Web.Guide;
using Incisura.Web.History;
using Incisura.Web.Hosting;
using Incisura.Web.Library;
using Incisura.Web.Lookup;
using Incisura.Web.Mail;
using Incisura.Web.Records;
using Incisura.Web.Reports;
using Incisura.Web.Shop;
using Incisura.Web.Startup;
using Incisura.Web.Upkeep;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;

// A published folder has its pages and settings beside the program, from wherever it is started.
WebApplicationBuilder builder = Directory.Exists(Path.Combine(AppContext.BaseDirectory, "wwwroot"))
    ? WebApplication.CreateBuilder(new WebApplicationOptions { Args = args, ContentRootPath = AppContext.BaseDirectory })
    : WebApplication.CreateBuilder(args);
string database = Path.GetFullPath(builder.Configuration["Incisura:Database"] ?? "data/incisura.db");
KeyFolders keys = KeyFolders.Of(database, builder.Configuration["Incisura:Keys:Editions"], builder.Configuration["Incisura:Keys:Sessions"]);
if (await Commands.RunAsync(args, database, keys, builder.Configuration, Console.Out) is { } done) return done;
builder.WebHost.ConfigureKestrel(k =>
{
    k.Limits.MaxRequestBodySize = 1024 * 1024;
    k.AddServerHeader = false;
});

// The OpenAPI document is read off the built program, without a database; it describes the demo's door too.
bool describing = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";
bool demo = describing || builder.Configuration.GetValue("Incisura:Demo", false);

if (demo) builder.Configuration["Incisura:Workshop"] ??= DemoWorkshop.Name;
if (!describing) builder.AddHostDoor(database);
builder.AddTransport(demo);
builder.AddLogs(demo);
builder.AddTelemetry();

builder.Services.AddHttpContextAccessor();
builder.Services.AddSingleton<SavedMark>();
builder.Services.AddSingleton(_ => new DatabaseFile(database));
builder.Services.AddDbContextPool<IncisuraDb>(
    (services, o) => o.UseSqlite(IncisuraDb.ConnectionTo(database))
        .ConfigureWarnings(w => w.Throw(CoreEventId.RowLimitingOperationWithoutOrderByWarning))
        .AddInterceptors(new EachConnection(), services.GetRequiredService<SavedMark>()));
builder.Services.AddSingleton(keys);
builder.Services.AddSingleton<Shelf>();
builder.Services.AddSingleton<StandingJudge>();
if (!describing) builder.Services.AddHostedService(services => services.GetRequiredService<StandingJudge>());
builder.Services.Configure<MailOptions>(builder.Configuration.GetSection(MailOptions.Section));
if (demo && !describing)
{
    // Made before the post that asks where to send to.
    builder.Services.AddSingleton<DemoMailbox>();
    builder.Services.AddHostedService(services => services.GetRequiredService<DemoMailbox>());
}

builder.Services.AddSingleton<Post>();
if (!describing) builder.Services.AddHostedService(services => services.GetRequiredService<Post>());
builder.Services.Configure<CopyOptions>(builder.Configuration.GetSection(CopyOptions.Section));
builder.Services.AddSingleton<Copies>();
builder.Services.AddHealth();
if (!describing)
{
    builder.Services.AddHostedService(services => services.GetRequiredService<Copies>());
    builder.Services.AddHostedService(services => services.GetRequiredService<SoundnessWatch>());
}

builder.Services.AddSingleton<Desk>();
builder.Services.AddSingleton<ImportDesk>();
builder.Services.AddSingleton<FillDesk>();
builder.Services.AddSingleton(services => new SigningKeys(keys.Editions, services.GetRequiredService<TimeProvider>()));
builder.Services.AddSingleton<Publisher>();
builder.Services.AddSingleton<PublishDesk>();
builder.Services.AddSingleton<LookupIndex>();
builder.Services.AddSingleton<Presence>();
builder.Services.AddSingleton(_ => new GuideBook(Path.Combine(AppContext.BaseDirectory, "guide")));
builder.Services.AddSingleton(WorkshopClock.Of(builder.Configuration));
builder.Services.AddDataProtection().PersistKeysToFileSystem(new(keys.Sessions));

builder.AddAccounts(demo);

builder.Services.AddProblemDetails(o => o.CustomizeProblemDetails = ProblemHandler.Complete);
builder.Services.AddExceptionHandler<ProblemHandler>();
builder.Services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
builder.Services.ConfigureHttpJsonOptions(o =>
{
    DefaultJsonTypeInfoResolver resolver = DefinitionFormat.Resolver;
    resolver.Modifiers.Add(StrictBodies.Check);
    o.SerializerOptions.TypeInfoResolverChain.Insert(0, resolver);
    o.SerializerOptions.RespectRequiredConstructorParameters = true;
    o.SerializerOptions.NumberHandling = DefinitionFormat.Options.NumberHandling;
    o.SerializerOptions.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
    o.SerializerOptions.RespectNullableAnnotations = true;
    foreach (var converter in DefinitionFormat.Options.Converters) o.SerializerOptions.Converters.Add(converter);
});
builder.Services.AddDescription();
builder.Services.AddPatience();
builder.Services.AddResponseCompression(o => o.EnableForHttps = true);
builder.Services.AddRateLimiter(o =>
{
    o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
    o.OnRejected = (rejected, _) =>
    {
        rejected.HttpContext.Response.Headers.RetryAfter = "60";
        return ValueTask.CompletedTask;
    };
    o.AddPolicy(Patience.Turns, Patience.TurnOf);
    o.AddPolicy(SessionEndpoints.SignInLimit, context => RateLimitPartition.GetFixedWindowLimiter(
        context.Connection.RemoteIpAddress?.ToString() ?? "", _ => new() { PermitLimit = 30, Window = TimeSpan.FromMinutes(1) }));
});

WebApplication app = builder.Build();
app.UseTransport(demo);
app.UseRequestLog(demo);
app.UseProtection();
app.UseExceptionHandler();
app.UseStatusCodePages();
app.UseResponseCompression();
app.UseKnownCharsets();
app.UseDefaultFiles();
app.UseStaticFiles(new StaticFileOptions
{
    OnPrepareResponse = c => c.Context.Response.Headers.CacheControl = c.Context.Request.Path.StartsWithSegments("/assets")
        ? "public, max-age=31536000, immutable"
        : "no-cache",
});
app.UseRouting();
app.UsePages();
app.UseRequestTimeouts();
app.UseAuthentication();
app.UseRateLimiter();
app.UseAuthorization();

IEndpointConventionBuilder description = app.MapOpenApi("/api/{documentName}/openapi.json");
if (!demo) description.RequireAuthorization();
app.MapHealth();
RouteGroupBuilder api = app.MapGroup("/api/v1").RequireAuthorization();
api.MapSession(demo);
api.MapAccount();
api.MapPeople();
api.MapServer();
api.MapAbsences();
api.MapAddress();
api.MapMail(demo);
api.MapLibrary();
api.MapTouching();
api.MapShop();
api.MapThreads();
api.MapCharts();
api.MapStarters();
api.MapFirstDay();
api.MapGuide();
api.MapCalculate();
api.MapLeftovers();
api.MapTapDrills();
api.MapOutlines();
api.MapHoleGroups();
api.MapComparisons();
api.MapRecords();
api.MapRecordList();
api.MapWaiting();
api.MapSettling();
api.MapComments();
api.MapEditions();
api.MapLookup();
api.MapFind();
api.MapHistory();
api.MapPresence();
api.MapCoverage();
api.MapReports();

if (describing)
{
    app.Run();
    return 0;
}

try
{
    await using AsyncServiceScope scope = app.Services.CreateAsyncScope();
    await Start.PrepareAsync(scope.ServiceProvider, demo, Path.GetFullPath(app.Configuration["Incisura:DemoData"] ?? "demo"), CancellationToken.None);
}
catch (StartException refused) when (Assembly.GetEntryAssembly() == typeof(Program).Assembly)
{
    // Whoever starts it reads a sentence; a trace of the code would only hide it.
    Console.Error.WriteLine(refused.Message);
    await app.DisposeAsync();
    return 1;
}

app.MapHostDoor(database);
app.Run();
return 0;

/// <summary>Named for the tests that host the program.</summary>
public partial class Program;
