using Incisura.Core.Cutters;
using Incisura.Core.Materials;

namespace Incisura.Core.Charts;

/// <summary>How the shop drills with one family of cutter in one group of work material with one coolant, by depth over diameter.</summary>
public sealed record DrillingCycleRow
{
    /// <summary>Taken where the chart has no row: cautious for any drill in any material.</summary>
    public static DrillingCycleRow Cautious { get; } = new()
    {
        Family = CutterFamily.TwistDrill,
        Group = MaterialGroup.P,
        Coolant = "flood",
        ChipBreaking = 2,
        FullRetract = 3,
        Staged = 15,
        FirstPeck = 1,
        PeckRatio = 0.8,
        LeastPeck = 0.3,
        Source = "cautious default",
    };

    /// <summary>Cutter family the row is for.</summary>
    public required CutterFamily Family { get; init; }

    /// <summary>Group of work material the row is for.</summary>
    public required MaterialGroup Group { get; init; }

    /// <summary>Code of the coolant the row is for, such as through.</summary>
    public required string Coolant { get; init; }

    /// <summary>Depth over diameter above which the chip is broken, 0.1 to 200.</summary>
    public required double ChipBreaking { get; init; }

    /// <summary>Depth over diameter above which the drill clears the hole at every peck, at least <see cref="ChipBreaking"/>.</summary>
    public required double FullRetract { get; init; }

    /// <summary>Depth over diameter above which the hole is drilled in stages behind a pilot, at least <see cref="FullRetract"/>.</summary>
    public required double Staged { get; init; }

    /// <summary>First peck over diameter, 0.05 to 20.</summary>
    public required double FirstPeck { get; init; }

    /// <summary>Each further peck over the one before, 0.2 to 1.</summary>
    public required double PeckRatio { get; init; }

    /// <summary>Least peck over diameter, up to <see cref="FirstPeck"/>.</summary>
    public required double LeastPeck { get; init; }

    /// <summary>Where the row comes from.</summary>
    public string Source { get; init; } = "";

    internal void Check(InputCheck check, string at, int number) => check
        .Holds(
            Enum.IsDefined(Family) && Enum.IsDefined(Group), at, number,
            $"Drilling cycle {number} is for an unknown cutter or group; choose both from the lists.")
        .Holds(
            Coolants.All.Any(p => p.Code == Coolant), $"{at}.coolant", number,
            $"Drilling cycle {number} is for an unknown coolant; choose one from the list.")
        .Within($"{at}.chipBreaking", $"The depth from which cycle {number} breaks the chip", ChipBreaking, 0.1, 200, Quantity.Ratio)
        .Within(
            $"{at}.fullRetract", $"The depth from which cycle {number} clears the hole", FullRetract, Math.Max(0.1, ChipBreaking), 200,
            Quantity.Ratio)
        .Within($"{at}.staged", $"The depth from which cycle {number} is drilled in stages", Staged, Math.Max(0.1, FullRetract), 200, Quantity.Ratio)
        .Within($"{at}.firstPeck", $"The first peck of cycle {number}", FirstPeck, 0.05, 20, Quantity.Ratio)
        .Within($"{at}.peckRatio", $"The ratio of pecks of cycle {number}", PeckRatio, 0.2, 1, Quantity.Ratio)
        .Within($"{at}.leastPeck", $"The least peck of cycle {number}", LeastPeck, 0.02, Math.Max(0.02, FirstPeck), Quantity.Ratio);
}
