namespace Incisura.Core.Machines;

/// <summary>What a machine's plate says of its spindle: the torque it holds at low speed and the power it holds at high speed.</summary>
/// <param name="Power">Continuous power P, kW, 0.01 to 500.</param>
/// <param name="ShortPower">Short-time power P_s, kW, at least <paramref name="Power"/>.</param>
/// <param name="Torque">Continuous torque M at the spindle nose, N·m, 0.01 to 20 000.</param>
/// <param name="ShortTorque">Short-time torque M_s, N·m, at least <paramref name="Torque"/>.</param>
public sealed record SpindlePlate(double Power, double ShortPower, double Torque, double ShortTorque)
{
    // kW by N·m and rev/min: P = 2π M n / 60 000.
    private const double RevolutionsPerMinute = 60_000 / (2 * Math.PI);

    // Plates round; corners that differ by less are one, and the upper of them errs on the safe side.
    private const double SameCorner = 0.02;

    /// <summary>
    /// The curve it makes: constant torque up to the corner n = 60 000 P / (2π M), constant power above; continuous and short-time each have a corner.
    /// </summary>
    public IReadOnlyList<SpindlePoint> Curve()
    {
        double corner = Corner(Power, Torque), shortCorner = Corner(ShortPower, ShortTorque);
        double lower = Math.Min(corner, shortCorner), upper = Math.Max(corner, shortCorner);
        return upper - lower < SameCorner * upper ? [At(upper)] : [At(lower), At(upper)];
    }

    /// <summary>Checks every figure.</summary>
    public InputCheck Check() => new InputCheck()
        .Within("power", "The power", Power, 0.01, 500, Quantity.Power)
        .Within("shortPower", "The short-time power", ShortPower, Power > 0.01 ? Power : 0.01, 500, Quantity.Power)
        .Within("torque", "The torque", Torque, 0.01, 20000, Quantity.Torque)
        .Within("shortTorque", "The short-time torque", ShortTorque, Torque > 0.01 ? Torque : 0.01, 20000, Quantity.Torque);

    private static double Corner(double power, double torque) => RevolutionsPerMinute * power / torque;

    private SpindlePoint At(double speed) => new(
        speed, Held(Power, Torque, speed), Held(ShortPower, ShortTorque, speed), Math.Min(Torque, RevolutionsPerMinute * Power / speed),
        Math.Min(ShortTorque, RevolutionsPerMinute * ShortPower / speed));

    private static double Held(double power, double torque, double speed) => Math.Min(power, torque * speed / RevolutionsPerMinute);
}
