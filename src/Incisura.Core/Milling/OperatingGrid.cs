using Incisura.Core.Calculation;

namespace Incisura.Core.Milling;

/// <summary>One point of an operating grid: how far the tightest limit is used, and which it is.</summary>
/// <param name="Use">Use of the tightest limit; above 1 is forbidden.</param>
/// <param name="Tightest">The limit that binds.</param>
public readonly record struct GridPoint(float Use, LimitKind Tightest);

/// <summary>Every limit over a grid of width and depth of cut, for a picture of where a side cut may be run.</summary>
public static class OperatingGrid
{
    /// <summary>Works out every point: column i has the width (i + 1)·mostWidth/columns, row j the depth (j + 1)·mostDepth/rows.</summary>
    /// <param name="setup">Cutter, holder, material and machine.</param>
    /// <param name="choices">Speed, feed per tooth and the rest; width, depth, stock and wall follow the grid.</param>
    /// <param name="mostWidth">Width of the last column, mm, above 0 up to the diameter.</param>
    /// <param name="mostDepth">Depth of the last row, mm, above 0.</param>
    /// <param name="columns">Number of columns, at least 1.</param>
    /// <param name="points">Receives the points row by row; its length is a multiple of the columns.</param>
    /// <exception cref="ArgumentException">The points do not fill whole rows.</exception>
    public static void Evaluate(SideMillingSetup setup, in SideMillingChoices choices, double mostWidth, double mostDepth, int columns, Span<GridPoint> points)
    {
        if (columns < 1 || points.Length == 0 || points.Length % columns != 0) throw new ArgumentException("The points must fill whole rows.", nameof(points));
        NoTrace none = default;
        int rows = points.Length / columns;
        for (int j = 0; j < rows; j++)
        {
            double depth = mostDepth * (j + 1) / rows;
            for (int i = 0; i < columns; i++)
            {
                double width = mostWidth * (i + 1) / columns;
                SideMillingChoices at = choices with { MostWidth = width, StockWidth = width, MostDepth = depth, WallHeight = depth };
                SideMilling.Solve(setup, at, out SideMillingResult result, ref none);
                points[(j * columns) + i] = new((float)result.Limits.LargestUse, result.Limits.Tightest);
            }
        }
    }
}
