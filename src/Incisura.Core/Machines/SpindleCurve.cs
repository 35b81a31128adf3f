namespace Incisura.Core.Machines;

/// <summary>What a spindle gives at one speed.</summary>
/// <param name="Speed">Spindle speed, rev/min.</param>
/// <param name="Power">Motor power, continuous, kW.</param>
/// <param name="ShortPower">Motor power, short-time, kW.</param>
/// <param name="Torque">Torque at the spindle nose, continuous, N·m.</param>
/// <param name="ShortTorque">Torque at the spindle nose, short-time, N·m.</param>
public readonly record struct SpindlePoint(double Speed, double Power, double ShortPower, double Torque, double ShortTorque)
{
    /// <summary>Most points of a curve.</summary>
    private const int Most = 40;

    /// <summary>Checks that a curve rises in speed, and every figure of it.</summary>
    internal static void Check(IReadOnlyList<SpindlePoint> curve, string field, InputCheck check)
    {
        check.Holds(curve.Count <= Most, field, curve.Count, $"The curve holds at most {Most} points.");
        for (int i = 0; i < curve.Count && i < Most; i++)
            check.Within(
                $"{field}[{i}].speed", $"The speed of point {i + 1}", curve[i].Speed, i == 0 ? 1 : curve[i - 1].Speed + 1e-6, 200000,
                Quantity.SpindleSpeed)
                .Within($"{field}[{i}].power", $"The power of point {i + 1}", curve[i].Power, 0.01, 500, Quantity.Power)
                .Within(
                    $"{field}[{i}].shortPower", $"The short-time power of point {i + 1}", curve[i].ShortPower, curve[i].Power, 500,
                    Quantity.Power)
                .Within($"{field}[{i}].torque", $"The torque of point {i + 1}", curve[i].Torque, 0.01, 20000, Quantity.Torque)
                .Within(
                    $"{field}[{i}].shortTorque", $"The short-time torque of point {i + 1}", curve[i].ShortTorque, curve[i].Torque, 20000,
                    Quantity.Torque);
    }
}

/// <summary>
/// Power and torque over speed. Between two points power runs straight over speed, and so does torque times speed; that is exact
/// for both regions of a drive, constant torque and constant power. Below the first point the torque stays, above the last the power.
/// </summary>
public sealed class SpindleCurve
{
    private readonly SpindlePoint[] points;

    /// <summary>A curve over points of rising speed; none means that nothing is known.</summary>
    public SpindleCurve(IEnumerable<SpindlePoint> points) => this.points = [.. points];

    /// <summary>Whether anything is known.</summary>
    public bool Known => points.Length > 0;

    /// <summary>What the spindle gives at a speed; all NaN where nothing is known.</summary>
    /// <param name="speed">Spindle speed, rev/min, above 0.</param>
    public SpindlePoint At(double speed)
    {
        if (points.Length == 0) return new(speed, double.NaN, double.NaN, double.NaN, double.NaN);
        ref readonly SpindlePoint first = ref points[0];
        if (speed <= first.Speed)
        {
            double share = speed / first.Speed;
            return new(speed, first.Power * share, first.ShortPower * share, first.Torque, first.ShortTorque);
        }

        for (int i = 1; i < points.Length; i++)
        {
            ref readonly SpindlePoint b = ref points[i];
            if (speed > b.Speed) continue;
            ref readonly SpindlePoint a = ref points[i - 1];
            double t = (speed - a.Speed) / (b.Speed - a.Speed);
            return new(
                speed,
                a.Power + (t * (b.Power - a.Power)),
                a.ShortPower + (t * (b.ShortPower - a.ShortPower)),
                ((a.Torque * a.Speed) + (t * ((b.Torque * b.Speed) - (a.Torque * a.Speed)))) / speed,
                ((a.ShortTorque * a.Speed) + (t * ((b.ShortTorque * b.Speed) - (a.ShortTorque * a.Speed)))) / speed);
        }

        ref readonly SpindlePoint last = ref points[^1];
        double fall = last.Speed / speed;
        return new(speed, last.Power, last.ShortPower, last.Torque * fall, last.ShortTorque * fall);
    }
}
