package roofnest.app.pair;

import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;

import roofnest.app.models.Models;
import roofnest.app.records.ExperienceRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.RouterRepository;

/** Reads a house for pairing. */
@Component
class Sites {
    private final JudgedHouseholds households;
    private final HubRepository hubs;
    private final RouterRepository routers;
    private final ExperienceRepository experience;
    private final Models models;

    Sites(JudgedHouseholds households, HubRepository hubs, RouterRepository routers, ExperienceRepository experience, Models models) {
        this.households = households;
        this.hubs = hubs;
        this.routers = routers;
        this.experience = experience;
        this.models = models;
    }

    Site of(HouseholdRef ref) {
        return new Site(households.of(ref.id()), hubs.of(ref.id()), routers.of(ref.id()),
                SingletonSupplier.of(() -> experience.of(ref.staff().firmId())), models);
    }
}
