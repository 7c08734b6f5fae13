package roofnest.app.carry;

import org.springframework.stereotype.Component;

import roofnest.app.prove.RemarkRepository;
import roofnest.app.prove.TrialRepository;
import roofnest.app.models.Models;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.ClimateRepository;
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.CountedWeekRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.app.records.LeavingRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.OtherThingRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ProofRepository;
import roofnest.app.records.ReadingRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.RouterRepository;
import roofnest.app.records.SaidLeadRepository;
import roofnest.app.records.SpotLookRepository;
import roofnest.app.records.TermRepository;

/** Everywhere that a household is written down: what goes out and what comes in go through the same. */
@Component
record HouseholdBooks(HouseholdRepository households, ResidentRepository residents, PromiseRepository promises,
        NetworkRepository networks, RouterRepository routers, OtherThingRepository things, HubRepository hubs, CameraRepository cameras,
        AccessRepository access, LedgerRepository ledger, ReadingRepository readings, LogRepository log, ProofRepository proofs,
        ClimateRepository climates, ComingsRepository comings, CountedWeekRepository counted, TrialRepository trials,
        RemarkRepository remarks, LeavingRepository leavings, FaultCaseRepository cases, TermRepository terms,
        PoseReadingRepository poses, SpotLookRepository looks, SaidLeadRepository leads, CarriedSettings settings, CarriedLife life,
        Models models) {}
