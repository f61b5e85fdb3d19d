"""The futures of one colony written plainly in NumPy, vectorised over the futures: what `npm run bench` compares with.

Reads the rates as JSON from standard input and prints milliseconds of the best of three runs.
"""
import json
import sys
import time

import numpy as np

asked = json.load(sys.stdin)
r, spreads, size, weeks = asked["rates"], asked["spreads"], asked["futures"], asked["weeks"]

HOP, START = np.array(r["eggs"]["hop"]), np.array(r["eggs"]["start"])
HOP, START = HOP / HOP.sum(), START / START.sum()
ROOMS = len(START)


def live(seed):
    g = np.random.default_rng(seed)
    first, y1, y2 = (np.zeros(size, dtype=np.int64) for _ in range(3))
    rooms = np.zeros((ROOMS, size), dtype=np.int64)
    females, males = np.full(size, 40), np.full(size, 35)
    y1 += 40
    y2 += 40
    mood = 0.2 * g.standard_normal(size)
    luck = spreads["recruits"] * g.standard_normal(size)
    losses = spreads["losses"] * g.standard_normal(size)
    room = r["capacity"] * np.exp(spreads["room"] * g.standard_normal(size))
    keep = np.exp(-1 / 20)
    totals = np.empty((weeks + 1, size))
    totals[0] = y1 + y2 + females + males
    for week in range(1, weeks + 1):
        turn = g.random(size)
        drift = g.standard_normal(size)
        turned = 0.5 * drift + np.where(turn < 0.01, -1.2, 0)
        wandered = 0.2 * np.sqrt(1 - keep * keep) * drift
        mood = mood * keep + 0.012 + np.where(turn < 0.06, turned, wandered)
        half = np.exp(0.5 * mood)
        n = y1 + y2 + females + males
        come_up = np.minimum(1, r["comeUp"] * half * np.exp(luck + np.minimum(-0.3, r["holds"] - luck) * n / room))
        loss = np.exp(losses) / (half * half)

        def dead(hazard):
            h = hazard * loss
            return np.minimum(1, h / (1 + h / 2))

        free = np.maximum(0, females - rooms.sum(axis=0))
        taken = g.binomial(free, np.minimum(1, r["broods"] * half)) * (males > 0)
        hatched = np.zeros(size, dtype=np.int64)
        for k in range(ROOMS - 1, -1, -1):
            moved = g.multinomial(rooms[k], HOP)
            rooms[k] = moved[:, 0]
            for by in range(1, len(HOP)):
                if k + by < ROOMS:
                    rooms[k + by] += moved[:, by]
                else:
                    hatched += moved[:, by]
        eggs = r["broodSize"] * (hatched + 0.35 * np.sqrt(hatched) * g.standard_normal(size))
        came_up = g.binomial(np.maximum(0, np.rint(eggs)).astype(np.int64), come_up)
        first_left = first - g.binomial(first, dead(r["firstHazard"]))
        grown = g.binomial(first_left, r["firstLeave"])
        young = dead(r["youngHazard"])
        y1_left = y1 - g.binomial(y1, young)
        larger = g.binomial(y1_left, r["youngLeave"])
        y2_left = y2 - g.binomial(y2, young)
        mature = g.binomial(y2_left, r["youngLeave"])
        adult = dead(r["adultHazard"])
        females_left = females - g.binomial(females, adult)
        males_left = males - g.binomial(males, adult)
        daughters = g.binomial(mature, r["femaleShare"])
        rooms += g.multinomial(taken, START).T
        first = first_left - grown + came_up
        y1 = y1_left - larger + grown
        y2 = y2_left - mature + larger
        females = females_left + daughters
        males = males_left + mature - daughters
        blow = g.random(size)
        for i in np.nonzero(blow < 0.003)[0]:
            share = 1 - 0.6 * blow[i] / 0.003
            for x in (*rooms, first, y1, y2, females, males):
                x[i] = g.binomial(x[i], share)
        totals[week] = y1 + y2 + females + males
    return totals


best = float("inf")
for run in range(3):
    began = time.perf_counter()
    totals = live(run)
    best = min(best, time.perf_counter() - began)
print(json.dumps({"ms": best * 1000, "median": float(np.median(totals[-1])), "numpy": np.__version__}))
