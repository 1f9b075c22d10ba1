// Made by npm run types.
export interface paths {
    "/api/demonstration": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Make the demonstration kitchen anew, as it was on the first day */
        post: operations["makeDemonstration"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/foods": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Every food of the catalogue */
        get: operations["listShelf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/health": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether the server answers */
        get: operations["getHealth"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/invitations/{token}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What an invitation leads to */
        get: operations["lookAtInvitation"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/invitations/{token}/accept": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Use an invitation, signed in or with a new account */
        post: operations["acceptInvitation"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/kitchens": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The kitchens of whoever asks */
        get: operations["listKitchens"];
        put?: never;
        /** Make a kitchen */
        post: operations["makeKitchen"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/links/{token}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The build that a link leads to */
        get: operations["followLink"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Who asks */
        get: operations["getMe"];
        put?: never;
        post?: never;
        /** Erase one's account: name, passphrase and sessions; what was done in kitchens stays */
        delete: operations["eraseAccount"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/data": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One's own data as a zip of open files */
        get: operations["packAccount"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/passkeys": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** One's passkeys */
        get: operations["listPasskeys"];
        put?: never;
        /** Keep a new passkey */
        post: operations["addPasskey"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/passkeys/begin": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Ask the browser for a new passkey */
        post: operations["beginPasskey"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/passkeys/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Take a passkey away */
        delete: operations["removePasskey"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/passphrase": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /** Choose another passphrase; every other browser is signed out */
        put: operations["setPassphrase"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/recovery-codes": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Ten codes that each let in once, in place of those before; they are told this once */
        post: operations["makeRecoveryCodes"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/sessions": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The browsers that are signed in */
        get: operations["listSessions"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/me/sessions/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /** Sign a browser out */
        delete: operations["endSession"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/pairings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Come in as a device, by six figures */
        post: operations["pair"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/readings": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** What there is to measure */
        get: operations["whatToMeasure"];
        put?: never;
        /** What instruments measured, as SenML (RFC 8428) */
        post: operations["sendReadings"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/ready": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** Whether the database answers, with its tables as this program knows them */
        get: operations["getReady"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Sign in */
        post: operations["signIn"];
        /** Sign out */
        delete: operations["signOut"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/passkey": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Sign in with a passkey */
        post: operations["signInByPasskey"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/passkey/begin": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Ask the browser for a passkey to sign in with */
        post: operations["beginPasskeySignIn"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/session/prove": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /** Say again who you are */
        post: operations["prove"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/api/vocabulary": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** The words and limits of the build document */
        get: operations["getVocabulary"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        Accepted: {
            account?: string;
            accounts: boolean;
            codes?: string[];
            device?: string;
            /** Format: int64 */
            failed?: number;
            kitchen: string;
            name?: string;
        };
        Addition: {
            food: string;
            /** Format: double */
            grams: number;
            measure?: components["schemas"]["Measure"];
        };
        Alternative: {
            /** Format: double */
            grams?: number;
            /** Format: double */
            rest_minutes?: number;
            with?: string;
        };
        Answer: {
            /** Format: int64 */
            candidates: number;
            nearest?: components["schemas"]["Way"];
            obstacles?: ("too-wet" | "too-dry" | "weak-raw" | "weak-cooked" | "no-binders" | "no-base")[];
            suggest: components["schemas"]["Way"][];
            taken?: components["schemas"]["Role"][];
        };
        Baked: {
            /** Format: double */
            around_celsius: number;
            /** Format: double */
            browning: number;
            /** @enum {string} */
            browning_word?: "pale" | "golden" | "brown" | "dark";
            cook_notes: components["schemas"]["CookNote"][];
            /** Format: double */
            cooked_q: number | null;
            curve: components["schemas"]["Point"][];
            /** @enum {string} */
            dryness?: "moist" | "right" | "dry";
            /** Format: double */
            f70: number;
            /** Format: double */
            f70_at_pull: number;
            /** Format: double */
            fat_loss_pct: number;
            /** Format: double */
            freeze_minutes?: number;
            /** Format: double */
            grill_from_minutes?: number;
            guidance: components["schemas"]["Target"];
            /** Format: double */
            juice_loss_pct: number;
            /** Format: double */
            late_minutes: number;
            load: components["schemas"]["Load"];
            /** Format: double */
            minutes_to_target: number | null;
            mix: components["schemas"]["Thermal"];
            /** Format: double */
            peak_celsius: number;
            piece: components["schemas"]["Piece"];
            /** Format: double */
            pull_at_minutes: number | null;
            reached: boolean;
            /** Format: double */
            sear_ends_minutes?: number;
            section?: components["schemas"]["Section"];
            /** Format: double */
            set_chance: number;
            /** Format: double */
            set_kpa: number;
            /** Format: double */
            set_minutes: number;
            /** Format: double */
            set_ratio: number;
            sets: components["schemas"]["BinderSet"][];
            /** Format: double */
            start_celsius: number;
            steps: components["schemas"]["Step"][];
            target: components["schemas"]["Target"];
            /** Format: double */
            turn_at_minutes: number | null;
            turns_minutes: number[];
            /** Format: double */
            wall_peak_celsius?: number;
            /** Format: double */
            water_loss_pct: number;
            /** Format: double */
            weight_loss_pct: number;
            yield: components["schemas"]["Yield"];
        };
        Band: {
            /** Format: double */
            from: number;
            /** Format: double */
            to: number;
        };
        Below: {
            /** Format: double */
            celsius: number;
            /** Format: double */
            goal_celsius: number;
        };
        BinderSet: {
            /** Format: double */
            celsius: number;
            food: string;
            /** Format: double */
            share: number;
        };
        Bit: {
            colour: string;
            food: string;
            /** @enum {string} */
            form: "lump" | "shred" | "grain" | "leaf" | "flake";
            /** Format: double */
            share: number;
        };
        BranchInputBody: {
            /** @description the name of the new build */
            name: string;
        };
        Broke: {
            /** Format: int64 */
            cutting?: number;
            /** Format: int64 */
            lifting?: number;
            /** Format: int64 */
            shaping?: number;
            /** Format: int64 */
            turning?: number;
        };
        Build: {
            document: components["schemas"]["Document"];
            from?: components["schemas"]["Origin"];
            /** Format: uuid */
            id: string;
            prediction: components["schemas"]["Predicted"];
            /** Format: date-time */
            updated_at: string;
            /** Format: int64 */
            version: number;
        };
        Change: {
            food?: string;
            /** @enum {string} */
            kind: "added" | "removed" | "grams" | "prep" | "part-added" | "part-removed";
            name?: string;
            /** Format: double */
            now_g?: number;
            now_prep?: components["schemas"]["Preparation"][];
            /** @enum {string} */
            of?: "filling" | "middle" | "shell" | "wrap" | "vessel" | "coating" | "wash" | "glaze" | "sauce" | "broth";
            /** Format: int64 */
            part?: number;
            /** Format: double */
            was_g?: number;
            was_prep?: components["schemas"]["Preparation"][];
        };
        ChangeOwnFoodInputBody: {
            allergens?: string[];
            label?: components["schemas"]["PackLabel"];
            /** @description the food of the catalogue that it behaves most nearly as */
            like: string;
            name: string;
        };
        Check: {
            reasons?: components["schemas"]["Reason"][];
            /** @enum {string} */
            status: "clear" | "label" | "out";
        };
        Choice: {
            as_read?: boolean;
            /** Format: double */
            chance: number;
            /** Format: double */
            grams: number;
            /** @enum {string} */
            kind?: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** @enum {string} */
            method?: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            /** Format: double */
            minutes: number;
            /** Format: double */
            mm: number;
            prep?: components["schemas"]["Preparation"][];
        };
        ComparedTries: {
            a: components["schemas"]["TryEntry"];
            after: components["schemas"]["Effect"];
            b: components["schemas"]["TryEntry"];
            before: components["schemas"]["Effect"];
            changes: components["schemas"]["Change"][];
            settings: components["schemas"]["Setting"][];
        };
        Comparison: {
            after: components["schemas"]["Effect"];
            before: components["schemas"]["Effect"];
            changes: components["schemas"]["Change"][];
            settings: components["schemas"]["Setting"][];
        };
        Composition: {
            /** Format: double */
            ash: number;
            /** Format: double */
            carb: number;
            /** Format: double */
            fat: number;
            /** Format: double */
            fibre: number;
            /** Format: double */
            protein: number;
            /** Format: double */
            salt: number;
            /** Format: double */
            water: number;
        };
        Cook: {
            /** Format: double */
            celsius?: number;
            /** @enum {string} */
            from?: "room" | "freezer";
            /** Format: double */
            grill_minutes?: number;
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            /** Format: double */
            sear_minutes?: number;
            /** Format: double */
            start_celsius?: number;
            /** Format: double */
            target_celsius?: number;
            turn?: boolean;
        };
        CookNote: {
            code: string;
            /** @enum {string} */
            kind: "stop" | "limit" | "caution";
            /** Format: double */
            limit?: number;
            /** Format: double */
            value?: number;
        };
        Cooling: {
            in_time: boolean;
            /** Format: double */
            to_21_minutes: number | null;
            /** Format: double */
            to_5_minutes: number | null;
        };
        Course: {
            /** Format: int64 */
            cooks: number;
            /** Format: int64 */
            devices: number;
            dishes: components["schemas"]["CourseDish"][];
            /** Format: date-time */
            ended?: string;
            heats: components["schemas"]["CourseOven"][];
            /** Format: uuid */
            id: string;
            /**
             * Format: int64
             * @description below 0 where there is time to spare
             */
            late_minutes: number;
            name: string;
            /** Format: date-time */
            now: string;
            /** Format: date-time */
            ready: string;
            scale?: components["schemas"]["CourseScale"];
            /**
             * Format: int64
             * @description of its last event
             */
            seq: number;
            simulated: boolean;
            /** Format: double */
            speed: number;
            /** Format: date-time */
            start: string;
            /** Format: date-time */
            table: string;
            tasks: components["schemas"]["CourseTask"][];
            timers: components["schemas"]["CourseTimer"][];
            token?: string;
        };
        CourseAbout: {
            /** Format: double */
            grams?: number;
            label: string;
        };
        CourseAdded: {
            /** Format: date-time */
            at: string;
            food: string;
            /** Format: double */
            grams: number;
            /** @description of its event: what takes it back names it */
            id: string;
            label: string;
            /** Format: double */
            minutes: number;
        };
        CourseAnswer: {
            course: components["schemas"]["Course"];
            outcomes: components["schemas"]["CourseOutcome"][];
        };
        CourseBowl: {
            added: components["schemas"]["CourseAdded"][];
            band: components["schemas"]["Band"];
            /**
             * Format: double
             * @description that its pieces hold, 0..1
             */
            chance: number;
            /** @enum {string} */
            expected: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** @enum {string} */
            felt?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            handful?: components["schemas"]["Handful"];
            labels: {
                [key: string]: string;
            };
            mend?: components["schemas"]["Mend"];
            much: boolean;
            off: boolean;
            /** @enum {string} */
            planned: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** Format: double */
            planned_q?: number;
            /**
             * Format: double
             * @description its index as it is
             */
            q?: number;
        };
        CourseCommands: {
            events: components["schemas"]["Event"][];
        };
        CourseDish: {
            bowl?: components["schemas"]["CourseBowl"];
            build?: string;
            found: components["schemas"]["CourseFound"][];
            heat?: components["schemas"]["CourseHeat"];
            /** @enum {string} */
            kind?: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            name: string;
            /** Format: int64 */
            pieces?: number;
            steps: components["schemas"]["CourseStep"][];
        };
        CourseEntry: {
            /** Format: int64 */
            dishes: number;
            /** Format: date-time */
            ended?: string;
            /** Format: uuid */
            id: string;
            name: string;
            simulated?: boolean;
            /** Format: date-time */
            start: string;
            /** Format: date-time */
            table: string;
        };
        CourseEvents: {
            events: components["schemas"]["KeptEvent"][];
            /** Format: int64 */
            seq: number;
        };
        CourseFound: {
            /** Format: date-time */
            at: string;
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            /** @description the device that said so */
            by?: string;
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            note?: string;
            photo?: string;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
        };
        CourseHeat: {
            /** Format: date-time */
            begun: string;
            below: boolean;
            /** Format: double */
            core: number;
            /** Format: double */
            core_high: number;
            /** Format: double */
            core_low: number;
            curve: components["schemas"]["CoursePoint"][];
            /** Format: int64 */
            dish: number;
            history: components["schemas"]["CourseReading"][];
            /** Format: double */
            longer_minutes: number;
            notices: components["schemas"]["CourseNotice"][];
            /** Format: date-time */
            off: string;
            /** Format: date-time */
            off_high: string;
            /** Format: date-time */
            off_low: string;
            /** Format: double */
            oven: number;
            /** Format: double */
            oven_high: number;
            /** Format: double */
            oven_low: number;
            /** Format: double */
            oven_set: number;
            /**
             * Format: double
             * @description the highest that the core comes to, resting too
             */
            peak: number;
            reaches: boolean;
            /** @description the last of each kind */
            readings: components["schemas"]["CourseReading"][];
            /** Format: int64 */
            step: number;
            target: components["schemas"]["Target"];
        };
        CourseMade: {
            about: components["schemas"]["CourseAbout"][];
            /** @description of that step */
            code: string;
        };
        CourseMeasured: {
            /** Format: date-time */
            at: string;
            /** Format: double */
            celsius: number;
            /**
             * Format: int64
             * @description from 0; -1 where the instrument did not say
             */
            dish: number;
            /** @enum {string} */
            place: "core" | "oven" | "surface";
            source: string;
        };
        CourseNotice: {
            /** Format: double */
            celsius: number;
            /** @enum {string} */
            code: "slipped" | "touching" | "door-open" | "oven-cool" | "oven-hot" | "silent" | "past-goal";
            /** Format: date-time */
            since: string;
        };
        CourseOutcome: {
            got?: string;
            id: string;
            /** @description why */
            refused?: string;
            /** Format: int64 */
            seq: number;
        };
        CourseOven: {
            /** Format: double */
            celsius: number;
            /** Format: int64 */
            minutes: number;
            /** Format: date-time */
            on?: string;
        };
        CoursePoint: {
            /** Format: date-time */
            at: string;
            /** Format: double */
            core: number;
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
        };
        CourseReading: {
            /** Format: date-time */
            at: string;
            /** Format: double */
            celsius: number;
            /** @enum {string} */
            where: "core" | "oven" | "surface";
        };
        CourseScale: {
            /** Format: date-time */
            at: string;
            /**
             * Format: double
             * @description of the amount, g
             */
            in: number;
        };
        CourseStep: {
            about: components["schemas"]["CourseAbout"][];
            /** Format: date-time */
            begin: string;
            /** Format: double */
            celsius?: number;
            code: string;
            /** @description from 1 */
            cooks: number[];
            /** Format: date-time */
            due_begin: string;
            /** Format: date-time */
            due_end: string;
            /** Format: date-time */
            end: string;
            grill?: boolean;
            hob?: boolean;
            /** Format: int64 */
            minutes: number;
            name: string;
            oven?: boolean;
            /** Format: int64 */
            part?: number;
            /** Format: date-time */
            planned: string;
            /** @description somebody has to begin it */
            put: boolean;
            status: string;
            /** @description the clock ends it */
            timed: boolean;
            /** Format: int64 */
            times?: number;
            weigh: components["schemas"]["CourseWeigh"][];
        };
        CourseTask: {
            /** Format: int64 */
            amount: number;
            /** Format: date-time */
            at: string;
            cooks: number[];
            /** Format: int64 */
            dish: number;
            /** @enum {string} */
            do: "weigh" | "begin" | "do" | "off" | "turn" | "batch" | "squeeze" | "timer" | "found" | "heat";
            due: boolean;
            /** Format: double */
            loss: number;
            name: string;
            silenced?: boolean;
            /** Format: int64 */
            step: number;
            timer?: string;
            urgent: boolean;
        };
        CourseTimer: {
            /** Format: date-time */
            begin: string;
            /** Format: date-time */
            end: string;
            id: string;
            /** Format: double */
            minutes: number;
            name: string;
        };
        CourseWeigh: {
            /** @enum {string} */
            apart?: "oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast" | "as-is";
            food: string;
            /** Format: double */
            grams: number;
            /** @enum {string} */
            how?: "scale" | "hand" | "spoons";
            /** Format: double */
            in?: number;
            label: string;
            /** Format: int64 */
            line: number;
            made?: components["schemas"]["CourseMade"];
            measure?: components["schemas"]["Measure"];
            /** Format: double */
            within: number;
        };
        Demand: {
            /** Format: double */
            Cooked: number;
            /** Format: double */
            Raw: number;
        };
        Device: {
            id: string;
            name: string;
            /** Format: date-time */
            paired_at: string;
            /** Format: date-time */
            seen_at: string;
        };
        Dish: {
            hundred: components["schemas"]["Share"];
            not_for: components["schemas"]["Refusal"][];
            parts: components["schemas"]["PartResult"][];
            piece: components["schemas"]["Share"];
            /** Format: int64 */
            pieces: number;
            portion?: components["schemas"]["Share"];
            /** Format: int64 */
            portions: number;
            unpriced: string[];
            whole: components["schemas"]["Share"];
        };
        Document: {
            chill?: components["schemas"]["Wait"];
            cook?: components["schemas"]["Cook"];
            eaters?: components["schemas"]["Eaters"];
            /** @enum {string} */
            format: "cuerda-build/1";
            hand?: components["schemas"]["Hand"];
            lines: components["schemas"]["Line"][];
            method?: components["schemas"]["Instruction"][];
            mixing?: components["schemas"]["Mixing"];
            name: string;
            note?: string;
            parts?: components["schemas"]["Part"][];
            piece?: components["schemas"]["Piece"];
            /** Format: int64 */
            portions?: number;
            rest?: components["schemas"]["Wait"];
            table_time?: string;
        };
        Draft: {
            /** Format: double */
            chance: number;
            document: components["schemas"]["Document"];
            questions: components["schemas"]["Question"][];
            spots: components["schemas"]["Spot"][][];
        };
        Dry: {
            food: string;
            prep: components["schemas"]["Preparation"];
        };
        Eaters: {
            avoid?: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            /** @enum {string} */
            diet?: "vegan" | "vegetarian" | "no-pork" | "no-red-meat" | "";
            people?: components["schemas"]["Person"][];
            wants?: ("grain-free" | "low-salt" | "no-added-sugar" | "nut-free" | "oil-free")[];
        };
        Effect: {
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            cost_each: number | null;
            /** @enum {string} */
            dryness: "moist" | "right" | "dry";
            in_band: boolean;
            /** Format: double */
            kcal_each: number;
            label: string[];
            /** Format: double */
            mass_g: number;
            /** Format: double */
            minutes: number | null;
            out: string[];
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            salt_each_g: number;
            /** @enum {string} */
            verdict: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing";
            /** Format: double */
            weight_loss_pct: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Entry: {
            /** Format: double */
            chance: number;
            /** Format: uuid */
            id: string;
            /** Format: int64 */
            lines: number;
            name: string;
            /** @enum {string} */
            says: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing" | "wet" | "dry" | "likely";
            unreadable?: boolean;
            /** Format: date-time */
            updated_at: string;
            /** @enum {string} */
            verdict: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing";
            /** Format: int64 */
            version: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        EquipmentLimit: {
            at_once: boolean;
            field: string;
            /** Format: double */
            max: number;
            /** Format: double */
            min: number;
            /** Format: double */
            step: number;
            /** @description empty for what is counted */
            unit: string;
        };
        Estimate: {
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
            /** Format: double */
            mean: number;
            /** Format: double */
            sd: number;
        };
        Event: {
            /**
             * Format: date-time
             * @description by the course's clock; now where it says nothing
             */
            at?: string;
            /** Format: double */
            celsius?: number;
            device?: string;
            /** Format: int64 */
            dish?: number;
            food?: string;
            found?: components["schemas"]["Findings"];
            /** Format: double */
            grams?: number;
            /** @enum {string} */
            how?: "scale" | "hand" | "spoons";
            id: string;
            /** @enum {string} */
            kind: "begun" | "done" | "undone" | "weighed" | "unweighed" | "felt" | "added" | "unadded" | "turned" | "batch" | "placed" | "timer" | "timeroff" | "silenced" | "longer" | "found" | "ended" | "heated" | "clock" | "due";
            /** Format: int64 */
            line?: number;
            /** Format: double */
            minutes?: number;
            name?: string;
            /** Format: double */
            speed?: number;
            /** Format: int64 */
            step?: number;
            /** @enum {string} */
            word?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        Explained: {
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_high: number;
            /** Format: double */
            chance_low: number;
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            cohesion_kpa: number;
            /** Format: double */
            continuity: number;
            cooked_reasons: components["schemas"]["Ground"][];
            /** Format: double */
            density_kg_m3: number;
            foods: string[];
            grades: string[];
            /** Format: int64 */
            lever_cooked: number;
            /** Format: int64 */
            lever_q: number;
            /** Format: int64 */
            lever_raw: number;
            lines: components["schemas"]["Given"][];
            /** Format: double */
            liquid_g: number;
            /** Format: double */
            loose: number;
            need: components["schemas"]["Demand"];
            /** Format: double */
            oil_g: number;
            /** Format: double */
            plastic_g: number;
            /** Format: double */
            q: number | null;
            raw_reasons: components["schemas"]["Ground"][];
            /** Format: double */
            salt: number;
            /** Format: double */
            set_kpa: number;
            /** Format: double */
            water_g: number;
        };
        Facts: {
            /** Format: double */
            carb_g: number;
            /** Format: double */
            fat_g: number;
            /** Format: double */
            fibre_g: number;
            /** Format: double */
            kcal: number;
            /** Format: double */
            kj: number;
            /** Format: double */
            protein_g: number;
            /** Format: double */
            salt_g: number;
        };
        Figure: {
            /** @enum {string} */
            grade: "A" | "B" | "C";
            /**
             * Format: double
             * @description the most that may be believed
             */
            high: number;
            id: string;
            /**
             * Format: double
             * @description the least that may be believed
             */
            low: number;
            source: string;
            unit: string;
            /** Format: double */
            usual: number;
            /**
             * Format: double
             * @description what this kitchen uses
             */
            value: number;
        };
        Figures: {
            /** Format: double */
            cooked_chance: number;
            /** Format: double */
            q: number;
            /** Format: double */
            raw_chance: number;
        };
        Findings: {
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            note?: string;
            photo?: string;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
        };
        Fit: {
            piece: components["schemas"]["Piece"];
            yield: components["schemas"]["Yield"];
        };
        Food: {
            allergens?: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            binder: boolean;
            composition: components["schemas"]["Composition"];
            cook_first?: boolean;
            from_dry?: components["schemas"]["FromDry"][];
            /** Format: double */
            g_per_cup?: number;
            /** Format: double */
            g_per_piece?: number;
            gluten: string;
            gone?: boolean;
            /** @enum {string} */
            group: "meat" | "fish" | "legume" | "grain" | "vegetable" | "fruit" | "nut" | "seed" | "gel" | "grain-binder" | "legume-binder" | "nut-binder" | "starch" | "egg" | "dairy" | "wet" | "fat" | "flavour";
            id: string;
            label: boolean;
            many_alike?: boolean;
            /** Format: double */
            max_pct?: number;
            name: string;
            name_es: string;
            own?: string;
            packs?: components["schemas"]["Pack"][];
            piece?: string;
            state: string;
            suits: ("oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast")[];
            /** Format: double */
            usual_grams: number;
            words?: string[];
        };
        Found: {
            /** Format: double */
            after_g?: number;
            /** Format: double */
            before_g?: number;
            below?: components["schemas"]["Below"];
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            broke?: components["schemas"]["Broke"];
            /** @enum {string} */
            browning?: "pale" | "golden" | "brown" | "dark";
            /** Format: double */
            core_celsius?: number;
            /** Format: double */
            fridge_celsius?: number;
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            likings?: components["schemas"]["Liking"][];
            note?: string;
            /** Format: double */
            off_at_minutes?: number;
            others?: components["schemas"]["Voice"][];
            /** Format: double */
            oven_celsius?: number;
            photo?: string;
            photos?: string[];
            /** Format: int64 */
            pieces?: number;
            /** Format: double */
            room_celsius?: number;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
            /** @enum {string} */
            squeeze?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
            /** @enum {string} */
            squeeze_fresh?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
            /** Format: int64 */
            texture?: number;
            /** Format: double */
            turned_at_minutes?: number;
            /** @enum {string} */
            unsure?: "simulated" | "hurried" | "left-alone";
        };
        Frame: {
            celsius: number[];
            /** Format: double */
            minutes: number;
        };
        FriedPatties: {
            fried: components["schemas"]["FriedPatty"][];
            question: components["schemas"]["OpenQuestion"];
        };
        FriedPatty: {
            /** @enum {string} */
            grade?: "fell-apart" | "cracked" | "held" | "firm";
            /** Format: int64 */
            option: number;
            /** @enum {string} */
            word?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        FromDry: {
            /** Format: double */
            factor: number;
            food: string;
        };
        GasMark: {
            /** Format: double */
            celsius: number;
            mark: string;
        };
        Given: {
            /** Format: double */
            cooked_pct: number;
            /** Format: double */
            liquid_g: number;
            /** Format: double */
            oil_g: number;
            /** Format: double */
            pieces_g: number;
            /** Format: double */
            plastic_g: number;
            /** Format: double */
            raw_pct: number;
            tenth: components["schemas"]["Figures"];
            /** Format: double */
            water_g: number;
        };
        Ground: {
            /** Format: double */
            points: number;
            /** @enum {string} */
            topic: "shape" | "glue" | "sets" | "wet" | "dry" | "chill" | "egg" | "meat" | "starch" | "gel" | "fat" | "leaf" | "heat" | "size" | "kin" | "own";
        };
        Hand: {
            /** Format: double */
            water_g: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        Handful: {
            bits: components["schemas"]["Bit"][];
            /** Format: double */
            index: number;
            paste: string;
            show: {
                [key: string]: number;
            };
            tells: ("crumbs" | "cracks" | "edge" | "clean" | "film" | "strings" | "sheen" | "slump")[];
        };
        Health: {
            /** @enum {string} */
            status: "ok";
            version: string;
        };
        Imported: {
            /** Format: int64 */
            tries: number;
        };
        InOven: {
            /** Format: double */
            celsius: number;
            grill?: boolean;
            /** Format: int64 */
            racks?: number;
        };
        Ingredient: {
            /** Format: double */
            amount: number;
            food: string;
            /** Format: double */
            food_sure: number;
            /** Format: double */
            grams: number;
            /** Format: double */
            grams_sure: number;
            /** Format: double */
            high?: number;
            name?: string;
            others?: string[];
            prep?: components["schemas"]["Preparation"][];
            said: boolean;
            unit: string;
        };
        Instruction: {
            steps?: string[];
            text: string;
        };
        InstrumentToken: {
            token: string;
        };
        Instruments: {
            on: boolean;
            /**
             * Format: double
             * @description of the course's clock; as it is where it says nothing
             */
            speed?: number;
        };
        Invitation: {
            by: string;
            /** Format: date-time */
            expires_at: string;
            id: string;
            /** Format: date-time */
            made_at: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        InvitationLook: {
            by: string;
            /** Format: date-time */
            expires_at: string;
            kitchen: string;
            name?: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        InviteInputBody: {
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        Invited: {
            /** Format: date-time */
            expires_at: string;
            id: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
            token: string;
        };
        Item: {
            code: string;
            got?: string;
            /** Format: double */
            max?: number;
            message: string;
            /** Format: double */
            min?: number;
            nearest?: string;
            pointer: string;
        };
        JournalEntry: {
            about: string;
            address: string;
            /** Format: date-time */
            at: string;
            /** Format: int64 */
            seq: number;
            what: string;
            who: string;
        };
        Keep: {
            /** Format: double */
            cooked_fridge_days: number;
            /** Format: double */
            freezer_months: number;
            /** Format: double */
            raw_fridge_days: number;
        };
        KeptEvent: {
            /**
             * Format: date-time
             * @description by the course's clock; now where it says nothing
             */
            at?: string;
            by?: string;
            /** Format: double */
            celsius?: number;
            device?: string;
            /** Format: int64 */
            dish?: number;
            food?: string;
            found?: components["schemas"]["Findings"];
            /** Format: double */
            grams?: number;
            /** @enum {string} */
            how?: "scale" | "hand" | "spoons";
            id: string;
            /** @enum {string} */
            kind: "begun" | "done" | "undone" | "weighed" | "unweighed" | "felt" | "added" | "unadded" | "turned" | "batch" | "placed" | "timer" | "timeroff" | "silenced" | "longer" | "found" | "ended" | "heated" | "clock" | "due";
            /** Format: int64 */
            line?: number;
            /** Format: double */
            minutes?: number;
            name?: string;
            /** Format: int64 */
            seq: number;
            /** Format: double */
            speed?: number;
            /** Format: int64 */
            step?: number;
            /** @enum {string} */
            word?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps";
        };
        KeptPhoto: {
            /** Format: int64 */
            height: number;
            /** Format: uuid */
            id: string;
            /** Format: int64 */
            width: number;
        };
        KeptSupper: {
            document: components["schemas"]["Supper"];
            /** Format: uuid */
            id: string;
            /** Format: date-time */
            updated_at: string;
            /** Format: int64 */
            version: number;
        };
        KeptTry: {
            band: components["schemas"]["Band"];
            bite?: string;
            build?: string;
            by?: string;
            causes: components["schemas"]["TryCause"][];
            changes: components["schemas"]["Change"][];
            cooked?: components["schemas"]["StageFound"];
            /** Format: date-time */
            cooked_at: string;
            course?: string;
            document: components["schemas"]["Document"];
            found: components["schemas"]["Found"];
            grades?: string[];
            /** Format: int64 */
            held: number;
            /** Format: uuid */
            id: string;
            /** @enum {string} */
            kind: "try" | "patties";
            left_out?: boolean;
            name: string;
            note?: string;
            now: components["schemas"]["Said"];
            /** Format: int64 */
            of: number;
            /** @enum {string} */
            outcome: "held" | "some-broke" | "fell-apart" | "unsaid";
            patties?: components["schemas"]["FriedPatties"];
            photo?: string;
            planned: boolean;
            raw?: components["schemas"]["StageFound"];
            /** Format: int64 */
            revision: number;
            said?: components["schemas"]["Said"];
            /** Format: double */
            said_chance?: number;
            settings: components["schemas"]["Setting"][];
            /** @enum {string} */
            squeeze?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            unreadable?: boolean;
            /** Format: int64 */
            version?: number;
        };
        Kind: {
            /** @enum {string} */
            kind: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            sizes: components["schemas"]["KindSize"][];
            tin: boolean;
        };
        KindSize: {
            /** Format: double */
            default: number;
            field: string;
            needed: boolean;
        };
        KitchenEntry: {
            /** Format: int64 */
            builds?: number;
            /** Format: date-time */
            created_at: string;
            /** Format: date-time */
            erase_at?: string;
            id: string;
            /** @description it is the demonstration's: all in it is invented */
            made_up: boolean;
            name: string;
            /** Format: date-time */
            put_away_at?: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest" | "stove";
            /** Format: int64 */
            suppers?: number;
            /** Format: int64 */
            tries?: number;
        };
        KitchenFirst: {
            /** Format: int64 */
            burners?: number;
            /** @description there is no scale: amounts are given in cups and spoons */
            cups?: boolean;
            currency?: string;
            eaters?: components["schemas"]["Eaters"];
            /** @enum {string} */
            guidance?: "us" | "uk";
            /** @description foods of the catalogue that are at hand */
            have?: string[];
            name: string;
            /** @enum {string} */
            oven?: "fan-oven" | "still-oven" | "none";
            /** Format: double */
            pan_diameter_mm?: number;
            /** Format: int64 */
            pans?: number;
            probe?: boolean;
            units?: components["schemas"]["Units"];
        };
        KitchenLearned: {
            alone: components["schemas"]["LogbookTrust"];
            figures: components["schemas"]["LearnedFigure"][];
            forgotten: {
                [key: string]: string;
            };
            /** Format: int64 */
            mixes: number;
            off: boolean;
            own_mixes: boolean;
            /** Format: int64 */
            tries: number;
            trust: components["schemas"]["LogbookTrust"];
        };
        KitchenNameInputBody: {
            name: string;
        };
        KitchenUsage: {
            may: components["schemas"]["Quotas"];
            used: components["schemas"]["Usage"];
        };
        LearnedChoice: {
            figure?: string;
            forget?: boolean;
            off?: boolean;
            used?: boolean;
        };
        LearnedFigure: {
            food?: string;
            name: string;
            posterior: components["schemas"]["Estimate"];
            prior: components["schemas"]["Estimate"];
            tries: string[];
            /** @enum {string} */
            unit: "K" | "x" | "m" | "points";
            used: boolean;
        };
        Liking: {
            eater: string;
            /** Format: int64 */
            liking: number;
        };
        Limits: {
            /** Format: double */
            grams: number;
            /** Format: double */
            least_grams: number;
            /** Format: int64 */
            line_name: number;
            /** Format: int64 */
            lines: number;
            /** Format: double */
            max_celsius: number;
            /** Format: double */
            max_chill_celsius: number;
            /** Format: double */
            max_mm: number;
            /** Format: double */
            max_rest_celsius: number;
            /** Format: double */
            min_celsius: number;
            /** Format: double */
            min_chill_celsius: number;
            /** Format: double */
            min_mm: number;
            /** Format: double */
            min_rest_celsius: number;
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            name: number;
            /** Format: int64 */
            note: number;
            /** Format: int64 */
            part_lines: number;
            /** Format: int64 */
            parts: number;
            /** Format: int64 */
            portions: number;
            /** Format: int64 */
            preps: number;
        };
        Line: {
            food: string;
            /** Format: double */
            grams: number;
            name?: string;
            prep?: components["schemas"]["Preparation"][];
        };
        LineResult: {
            check?: components["schemas"]["Check"];
            instead?: string[];
            measure?: components["schemas"]["Measure"];
            /** Format: double */
            prepared_g: number;
            /** Format: double */
            share_pct: number;
        };
        Link: {
            build: string;
            build_name: string;
            by: string;
            /** Format: date-time */
            expires_at: string;
            id: string;
            /** Format: date-time */
            made_at: string;
        };
        LinkMade: {
            /** Format: date-time */
            expires_at: string;
            id: string;
            token: string;
        };
        Linked: {
            document: components["schemas"]["Document"];
            foods: components["schemas"]["Food"][];
            name: string;
            prediction: components["schemas"]["Predicted"];
        };
        Load: {
            /** Format: double */
            across_mm: number;
            /** Format: double */
            along_mm: number;
            /** Format: int64 */
            at_once: number;
            /** Format: int64 */
            batches: number;
            /** Format: int64 */
            holds: number;
            /** Format: double */
            length_mm: number;
            /** Format: int64 */
            loads: number;
            /** @enum {string} */
            on: "tray" | "pan" | "pot" | "tin";
            places: components["schemas"]["Place"][];
            /** Format: int64 */
            vessels: number;
            /** Format: double */
            width_mm: number;
        };
        LogbookTrust: {
            bins: components["schemas"]["TrustBin"][];
            /** Format: double */
            brier: number;
            /** Format: int64 */
            least: number;
            too_few: boolean;
            /** Format: int64 */
            tries: number;
        };
        MakeLinkRequest: {
            build: string;
            /** Format: int64 */
            days?: number;
        };
        Me: {
            account?: string;
            accounts: boolean;
            device?: string;
            /** Format: int64 */
            failed?: number;
            kitchen?: string;
            name?: string;
        };
        Measure: {
            /** Format: double */
            amount: number;
            /** @enum {string} */
            unit: "g" | "oz" | "cup" | "tbsp" | "tsp" | "piece";
        };
        Member: {
            account: string;
            /** Format: date-time */
            joined_at: string;
            name: string;
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        MemberInputBody: {
            /** @enum {string} */
            role: "owner" | "cook" | "guest";
        };
        Mend: {
            additions: components["schemas"]["Spoons"][];
            band: components["schemas"]["Band"];
            chill: boolean;
            /** @enum {string} */
            felt: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** @enum {string} */
            predicted: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            /** Format: double */
            q: number;
            reshape?: string[];
            /** Format: double */
            rest_minutes?: number;
            /** @enum {string} */
            verdict: "fine" | "too-wet" | "too-dry";
            /** Format: double */
            water_g: number;
        };
        Method: {
            /** Format: double */
            celsius: number;
            grills: boolean;
            /** @enum {string} */
            medium: "air" | "metal" | "fat" | "water" | "glow";
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            names: {
                [key: string]: string;
            };
            /** Format: double */
            oil_mm?: number;
            oven: boolean;
            sears: boolean;
            turns: boolean;
        };
        Mixing: {
            /** Format: double */
            minutes: number;
        };
        NameVersionInputBody: {
            /** @description what to call the version; empty takes the label away */
            label: string;
        };
        NewAccountSent: {
            account?: string;
            passphrase?: string;
        };
        NewCourse: {
            /** Format: uuid */
            build?: string;
            /** Format: uuid */
            supper?: string;
            /** Format: date-time */
            table?: string;
        };
        NextTry: {
            /** Format: double */
            chance: number;
            ways: components["schemas"]["Way"][];
        };
        Note: {
            code: string;
            food?: string;
            /** @enum {string} */
            kind: "caution" | "limit" | "reason";
            /** Format: double */
            limit?: number;
            /** Format: double */
            value?: number;
        };
        OnHeat: {
            /** Format: date-time */
            begun: string;
            build: components["schemas"]["Document"];
            /**
             * Format: int64
             * @description from 1
             */
            dish: number;
            /** Format: date-time */
            done?: string;
            turned?: string[];
        };
        OneSession: {
            agent: string;
            /** Format: date-time */
            began_at: string;
            here: boolean;
            id: string;
            /** Format: date-time */
            seen_at: string;
        };
        OpenQuestion: {
            amounts?: number[];
            choices?: components["schemas"]["Alternative"][];
            food?: string;
        };
        Origin: {
            /** Format: uuid */
            id: string;
            name: string;
            /** Format: int64 */
            version: number;
        };
        Outlook: {
            /** Format: double */
            chill_to_firm_minutes: number | null;
            cooling: components["schemas"]["Cooling"];
            /** Format: double */
            freeze_minutes: number | null;
            /** Format: double */
            from_frozen_minutes: number | null;
            frozen_turns: number[];
            keep: components["schemas"]["Keep"];
            /** Format: double */
            thaw_minutes: number | null;
            what_if: components["schemas"]["WhatIf"][];
        };
        OwnFoodInputBody: {
            allergens?: string[];
            label?: components["schemas"]["PackLabel"];
            /** @description the food of the catalogue that it behaves most nearly as */
            like: string;
            name: string;
        };
        Pack: {
            /** Format: double */
            drained_g: number;
            name: string;
            /** Format: double */
            total_g: number;
        };
        PackLabel: {
            /** Format: double */
            carb: number;
            /** Format: double */
            fat: number;
            /** Format: double */
            fibre: number;
            /** Format: double */
            g_per_cup?: number;
            /** Format: double */
            protein: number;
            /** Format: double */
            salt: number;
        };
        Page: {
            for_whom: string[];
            pieces: string;
            safety: string;
            steps: components["schemas"]["PageStep"][];
            yield: string;
        };
        PageStep: {
            clock: string;
            /** Format: int64 */
            day: number;
            text: string;
        };
        PairInputBody: {
            code: string;
            name?: string;
        };
        Pairing: {
            code: string;
            /** Format: date-time */
            expires_at: string;
        };
        PantryItem: {
            food: string;
            have: boolean;
            label_read?: string[];
            pack?: components["schemas"]["PackLabel"];
            /** Format: double */
            per_kilo?: number;
        };
        Part: {
            /** Format: double */
            cook_minutes?: number;
            id?: string;
            /** @enum {string} */
            kind: "filling" | "middle" | "shell" | "wrap" | "vessel" | "coating" | "wash" | "glaze" | "sauce" | "broth";
            lines: components["schemas"]["Line"][];
            name?: string;
            on?: string;
            rest?: components["schemas"]["Wait"];
            /** @enum {string} */
            when?: "start" | "half-way" | "end";
        };
        PartResult: {
            /** @enum {string} */
            each: "piece" | "portion";
            /** Format: double */
            each_g: number;
            lines: components["schemas"]["LineResult"][];
            /** Format: double */
            mass_g: number;
            /** Format: double */
            need_g: number;
            notes: components["schemas"]["Note"][];
            /** Format: double */
            q: number | null;
            /** @enum {string} */
            status: "clear" | "label" | "out";
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Passkey: {
            /** Format: date-time */
            created_at: string;
            /** @description base64url */
            id: string;
            name: string;
            /** Format: date-time */
            used_at?: string;
        };
        PasskeyAnswer: {
            credential: unknown;
            id: string;
            name?: string;
        };
        PasskeyAsked: {
            id: string;
            options: unknown;
        };
        PassphraseInputBody: {
            passphrase: string;
        };
        PattiesAnswer: {
            /** Format: double */
            amount_g: number;
            /** Format: double */
            amount_sd_g: number;
            /** Format: double */
            base_g: number;
            /** Format: int64 */
            best: number;
            document?: components["schemas"]["Document"];
            /** Format: double */
            gain_bit: number;
            next: number[];
            /** Format: double */
            none: number;
            options: components["schemas"]["PattyOption"][];
            ordered: boolean;
            settled: boolean;
            sure: boolean;
        };
        PattiesAsked: {
            document: unknown;
            fried?: components["schemas"]["FriedPatty"][];
            /** Format: int64 */
            next?: number;
            question: components["schemas"]["OpenQuestion"];
        };
        PattyOption: {
            /** Format: double */
            add_g: number;
            /** Format: double */
            amount_g: number;
            /** Format: double */
            answer: number;
            /** Format: double */
            base_g: number;
            /** Format: double */
            chance: number;
            food?: string;
            /** Format: double */
            holds: number;
            /** Format: double */
            rest_minutes?: number;
        };
        Person: {
            avoid?: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            /** Format: int64 */
            count: number;
            /** @enum {string} */
            diet?: "vegan" | "vegetarian" | "no-pork" | "no-red-meat" | "";
            name?: string;
            wants?: ("grain-free" | "low-salt" | "no-added-sugar" | "nut-free" | "oil-free")[];
        };
        PersonSaid: {
            gone?: boolean;
            name: string;
        };
        Phrase: {
            /** Format: int64 */
            at: number;
            /** Format: int64 */
            end: number;
            /** Format: int64 */
            line: number;
            /** @enum {string} */
            what: "amount" | "food" | "prep" | "part" | "rest" | "chill" | "piece" | "count" | "size" | "method" | "celsius" | "minutes";
        };
        Piece: {
            /** Format: int64 */
            count?: number;
            /** Format: double */
            diameter_mm?: number;
            /** Format: double */
            height_mm?: number;
            /** @enum {string} */
            kind: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** Format: double */
            length_mm?: number;
            /** Format: double */
            middle_mm?: number;
            /** Format: double */
            slice_mm?: number;
            /** Format: double */
            thickness_mm?: number;
            tin?: boolean;
            /** Format: double */
            tin_height_mm?: number;
            /** Format: double */
            wall_mm?: number;
            /** Format: double */
            width_mm?: number;
        };
        Place: {
            /** Format: double */
            x: number;
            /** Format: double */
            y: number;
        };
        Plan: {
            ahead: components["schemas"]["PlanAhead"][];
            /** @enum {string} */
            aim: "latest-start" | "one-cook" | "quiet-end" | "day-before" | "least-oven";
            /** Format: date-time */
            begin: string;
            /** Format: date-time */
            bound: string;
            /** Format: date-time */
            day_begin: string;
            heats: components["schemas"]["PlanHeat"][];
            /** Format: int64 */
            late_hands_bound_minutes?: number;
            /** Format: int64 */
            late_hands_minutes?: number;
            /** Format: int64 */
            oven_bound_minutes?: number;
            /** Format: int64 */
            oven_minutes: number;
            /** Format: int64 */
            oven_on_minutes: number;
            /** @description whether no plan begins later and leaves less work late or, by the aim least-oven, has its ovens on for a shorter time */
            proved: boolean;
            shared: components["schemas"]["PlanShared"][];
            slowed: components["schemas"]["PlanSlowed"][];
            /** Format: date-time */
            start: string;
            steps: components["schemas"]["PlanStep"][];
            unheld: components["schemas"]["PlanUnheld"][];
            /** Format: int64 */
            waiting_minutes: number;
            washes: components["schemas"]["PlanWash"][];
        };
        PlanAhead: {
            /** Format: double */
            days: number;
            dish: string;
            /** Format: int64 */
            hands_minutes: number;
            keeps: boolean;
            /** @description raw meat, fish or egg is in it */
            raw: boolean;
            /** @enum {string} */
            state: "soaking" | "prepared" | "mixed" | "shaped" | "cooked" | "side";
            /** @description the last one before the day */
            step: string;
            /** Format: int64 */
            wait_minutes: number;
        };
        PlanHeat: {
            /** Format: double */
            celsius: number;
            /** Format: int64 */
            minutes: number;
            oven: string;
            /** Format: date-time */
            start: string;
        };
        PlanOven: {
            /** Format: double */
            celsius: number;
            grill?: boolean;
            id: string;
            racks: number[];
        };
        PlanShared: {
            /** Format: double */
            browning: number;
            /** Format: double */
            browning_was: number;
            /** Format: double */
            celsius: number;
            /** Format: double */
            celsius_was: number;
            dish: string;
            /** Format: double */
            minutes: number;
            /** Format: double */
            minutes_was: number;
            /** Format: double */
            weight_loss_pct: number;
            /** Format: double */
            weight_loss_was_pct: number;
        };
        PlanSlowed: {
            dish: string;
            /**
             * Format: int64
             * @description longer than alone
             */
            minutes: number;
            step: string;
        };
        PlanStep: {
            /** Format: int64 */
            bowls?: number;
            /** Format: int64 */
            burners?: number;
            cooks: number[];
            dish: string;
            /** Format: int64 */
            dish_index: number;
            /** Format: int64 */
            minutes: number;
            oven?: components["schemas"]["PlanOven"];
            /** Format: int64 */
            pans?: number;
            pinned?: boolean;
            /** Format: int64 */
            shelves?: number;
            /** Format: date-time */
            start: string;
            step: string;
            /** Format: int64 */
            step_index: number;
        };
        PlanUnheld: {
            /** @enum {string} */
            code: "past-table" | "at-odds" | "no-step";
            dish: string;
            /** Format: date-time */
            start?: string;
            step: string;
        };
        PlanWash: {
            /** Format: date-time */
            at: string;
            /** @description the one with it, which went first */
            before: string;
            /** @description the one without it */
            dish: string;
            /** @enum {string} */
            through: "pan" | "bowl";
            what: string;
        };
        Point: {
            /** Format: double */
            core_celsius: number;
            /** Format: double */
            minutes: number;
            /** Format: double */
            surface_celsius: number;
        };
        PracticeBias: {
            /** Format: double */
            off_words: number;
            /** Format: double */
            sd: number;
            told: boolean;
        };
        PracticeCallSent: {
            /** Format: int64 */
            choice?: number;
            /** Format: double */
            grams?: number;
            id: string;
            /** Format: double */
            index?: number;
            /** Format: double */
            minutes?: number;
            /** Format: int64 */
            number: number;
            /** Format: double */
            sure: number;
        };
        PracticeCalled: {
            /** Format: int64 */
            choice: number;
            /** Format: double */
            grams: number;
            id: string;
            /** Format: double */
            index: number;
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            number: number;
            /** Format: double */
            off_minutes: number;
            /** Format: double */
            off_words: number;
            right: boolean;
            /** Format: double */
            score: number;
            /** Format: double */
            sure: number;
        };
        PracticeDrill: {
            /** Format: int64 */
            answer: number;
            asked?: components["schemas"]["Handful"];
            band: components["schemas"]["Band"];
            bare: boolean;
            document: components["schemas"]["Document"];
            found?: components["schemas"]["Found"];
            heat?: components["schemas"]["PracticeHeat"];
            /** Format: double */
            index: number;
            /** @enum {string} */
            kind: "squeeze" | "mend" | "why" | "binder" | "done" | "amiss" | "pair" | "";
            lesson: components["schemas"]["PracticeLesson"];
            /** Format: int64 */
            level: number;
            measures: components["schemas"]["Measure"][];
            off?: components["schemas"]["PracticeOff"];
            options: components["schemas"]["PracticeOption"][];
            other?: components["schemas"]["Document"];
            other_measures: components["schemas"]["Measure"][];
            other_shown?: components["schemas"]["Handful"];
            /** Format: double */
            piece_g: number;
            planned?: components["schemas"]["Document"];
            /** Format: double */
            right_from: number;
            /** Format: double */
            right_to: number;
            /** Format: double */
            sd: number;
            shown?: components["schemas"]["Handful"];
            /** @enum {string} */
            skill: "raw-water" | "no-wait" | "roots" | "loose-grain" | "over-dry" | "no-glue" | "deep-oil" | "lag" | "plain";
            /** Format: date-time */
            tried_at?: string;
            try?: string;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        PracticeEye: {
            /** Format: int64 */
            calls: number;
            dry: components["schemas"]["PracticeBias"];
            kinds: components["schemas"]["PracticeTally"][];
            mislead: ("raw-water" | "no-wait" | "roots" | "loose-grain" | "over-dry" | "no-glue" | "deep-oil" | "lag" | "plain")[];
            /** Format: int64 */
            right: number;
            /** Format: date-time */
            since?: string;
            skills: components["schemas"]["PracticeSkill"][];
            sureness: components["schemas"]["PracticeSure"][];
            trail: components["schemas"]["PracticeSat"][];
            wet: components["schemas"]["PracticeBias"];
        };
        PracticeHeat: {
            after: components["schemas"]["Point"][];
            /** Format: double */
            around_celsius: number;
            curve: components["schemas"]["Point"][];
            /** Format: double */
            last_minutes: number;
            /** Format: double */
            minutes: number;
            section: components["schemas"]["Section"];
            /** Format: double */
            seen_minutes: number;
            /** Format: double */
            target_celsius: number;
            /** Format: double */
            within: number;
        };
        PracticeImported: {
            /** Format: int64 */
            calls: number;
        };
        PracticeLesson: {
            /** Format: double */
            chance: number;
            grounds: components["schemas"]["Ground"][];
            otherwise?: components["schemas"]["PracticeOtherwise"];
            /** @enum {string} */
            stage: "raw" | "cooked";
            water: components["schemas"]["PracticeWater"][];
        };
        PracticeMarked: {
            call: components["schemas"]["PracticeCalled"];
            elsewhere: boolean;
            enough: boolean;
            eye: components["schemas"]["PracticeEye"];
        };
        PracticeOff: {
            /** Format: double */
            core_celsius: number;
            /** Format: double */
            minutes: number;
            /** Format: double */
            needs_minutes: number;
            /** Format: double */
            target_celsius: number;
        };
        PracticeOption: {
            /** Format: double */
            best_g: number;
            best_measure?: components["schemas"]["Measure"];
            cause?: string;
            /** Format: double */
            chance: number;
            change?: components["schemas"]["Change"];
            /** @enum {string} */
            code: "food" | "cause" | "mix" | "waits" | "goes-in-raw" | "stays-whole" | "too-much" | "too-little" | "no-binder" | "off-early";
            food?: string;
            /** Format: double */
            grams: number;
            indices: number[];
            /** Format: double */
            minutes: number;
            refused: boolean;
            right: boolean[];
            setting?: components["schemas"]["Setting"];
        };
        PracticeOtherwise: {
            /** Format: double */
            index: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        PracticePage: {
            eye: components["schemas"]["PracticeEye"];
            people: components["schemas"]["PracticePerson"][];
            person: string;
            sitting?: components["schemas"]["PracticeSitting"];
        };
        PracticePerson: {
            gone?: boolean;
            /** Format: uuid */
            id: string;
            name: string;
        };
        PracticeSat: {
            /** Format: date-time */
            at: string;
            /** Format: int64 */
            calls: number;
            /** Format: double */
            off_words: number;
        };
        PracticeSitting: {
            /** Format: date-time */
            began_at: string;
            calls: components["schemas"]["PracticeCalled"][];
            drills: components["schemas"]["PracticeDrill"][];
            /** Format: uuid */
            id: string;
            over: boolean;
            /** Format: uuid */
            person: string;
        };
        PracticeSkill: {
            /** Format: int64 */
            calls: number;
            /** Format: double */
            recall: number;
            /** Format: int64 */
            right: number;
            /** @enum {string} */
            skill: "raw-water" | "no-wait" | "roots" | "loose-grain" | "over-dry" | "no-glue" | "deep-oil" | "lag" | "plain";
            /** Format: double */
            weak: number;
        };
        PracticeSure: {
            /** Format: int64 */
            calls: number;
            /** Format: double */
            right: number;
            /** Format: double */
            said: number;
        };
        PracticeTally: {
            /** Format: int64 */
            calls: number;
            /** @enum {string} */
            kind: "squeeze" | "mend" | "why" | "binder" | "done" | "amiss" | "pair" | "";
            /** Format: int64 */
            right: number;
        };
        PracticeWater: {
            /** Format: double */
            drinks_g: number;
            food: string;
            /** Format: double */
            gives_g: number;
        };
        PracticeWish: {
            /** @enum {string} */
            kind?: "squeeze" | "mend" | "why" | "binder" | "done" | "amiss" | "pair" | "";
            person?: string;
            try?: string;
        };
        Predicted: {
            band: components["schemas"]["Band"];
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_high: number;
            /** Format: double */
            chance_low: number;
            /** @enum {string} */
            chance_means: "turn-and-lift" | "slice" | "tin-and-slice" | "spoon";
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            chill_factor?: number;
            /** Format: double */
            chilled_celsius?: number;
            /** Format: double */
            chunk_share: number;
            /** Format: double */
            cooked_kpa: number;
            /** Format: double */
            cooked_need_kpa: number;
            /** Format: double */
            cooked_ratio: number;
            /** Format: double */
            fat_share: number;
            /** Format: double */
            felt_q: number | null;
            handful?: components["schemas"]["Handful"];
            in_band: boolean;
            /** Format: double */
            just_mixed_felt_q: number | null;
            /** Format: double */
            just_mixed_q: number | null;
            lines: components["schemas"]["LineResult"][];
            little_known: boolean;
            /** Format: double */
            mass_g: number;
            not_for: components["schemas"]["Refusal"][];
            notes: components["schemas"]["Note"][];
            /** Format: double */
            piece_g: number;
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            q_sd: number;
            /** Format: double */
            raw_chilled_kpa?: number;
            /** Format: double */
            raw_kpa: number;
            /** Format: double */
            raw_need_kpa: number;
            /** Format: double */
            raw_ratio: number;
            /** Format: double */
            salt_share: number;
            /** @enum {string} */
            says: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing" | "wet" | "dry" | "likely";
            /** @enum {string} */
            verdict: "holds" | "marginal" | "fails-raw" | "fails-cooked" | "fails-both" | "nothing";
            /** Format: double */
            water_share: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Prep: {
            /** Format: double */
            default: number;
            /** @enum {string} */
            do: "oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast";
            /** Format: double */
            max: number;
            /** @enum {string} */
            setting: "minutes" | "level" | "hours" | "";
        };
        Preparation: {
            /** @enum {string} */
            do: "oven-dry" | "saute" | "roast" | "press" | "blitz" | "mash" | "soak" | "brown" | "gel" | "toast";
            /** Format: double */
            hours?: number;
            /** Format: double */
            level?: number;
            /** Format: double */
            minutes?: number;
            oil?: boolean;
        };
        Problem: {
            code: string;
            /** Format: int64 */
            current?: number;
            detail?: string;
            errors?: components["schemas"]["Item"][];
            /** Format: int64 */
            status: number;
            title: string;
            type: string;
        };
        Purchase: {
            /** Format: double */
            cost: number | null;
            /** Format: int64 */
            count?: number;
            dry?: string;
            /** Format: double */
            dry_g?: number;
            food: string;
            good_for?: string[];
            /** Format: double */
            grams: number;
            have: boolean;
            /** Format: double */
            left_g?: number;
            /** Format: double */
            liquid_g?: number;
            measure?: components["schemas"]["Measure"];
            name?: string;
            pack?: string;
            /** Format: double */
            pack_g?: number;
        };
        Question: {
            answers: components["schemas"]["Choice"][];
            /** @enum {string} */
            code: "fineness" | "juice" | "gel" | "rest" | "chill" | "kind" | "thickness" | "method" | "amount";
            food?: string;
            /** Format: int64 */
            line: number;
        };
        Quotas: {
            /** Format: int64 */
            at_once: number;
            /** Format: int64 */
            events: number;
            /** Format: int64 */
            photo_bytes: number;
            /** Format: int64 */
            readings: number;
            /** Format: int64 */
            tries: number;
            /** Format: int64 */
            versions: number;
        };
        ReadCook: {
            /** Format: double */
            celsius?: number;
            /** @enum {string} */
            method: "pan" | "still-oven" | "fan-oven" | "shallow-oil" | "deep-oil" | "simmer" | "grill";
            /** Format: double */
            minutes?: number;
            turn?: boolean;
        };
        ReadFood: {
            /** Format: double */
            amount: number;
            food: string;
            /** Format: double */
            food_sure: number;
            /** Format: double */
            grams: number;
            /** Format: double */
            grams_sure: number;
            /** Format: double */
            high?: number;
            name?: string;
            others?: string[];
            part?: string;
            prep?: components["schemas"]["Preparation"][];
            said: boolean;
            sure: boolean;
            unit: string;
        };
        ReadLine: {
            faults?: string[];
            full: boolean;
            items: components["schemas"]["ReadFood"][];
            maybe?: boolean;
            notes?: string;
            part: string;
            rest?: string;
            section?: string;
            spans?: components["schemas"]["Phrase"][];
            text: string;
        };
        ReadPiece: {
            /** Format: int64 */
            count?: number;
            /** Format: double */
            diameter_mm?: number;
            /** Format: double */
            height_mm?: number;
            /** @enum {string} */
            kind: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            /** Format: double */
            length_mm?: number;
            /** Format: double */
            thickness_mm?: number;
            tin?: boolean;
            /** Format: double */
            width_mm?: number;
        };
        ReadSide: {
            foods: components["schemas"]["SupperFood"][];
            odd: string[];
            steps: components["schemas"]["SupperStep"][];
            text: string;
        };
        ReadWait: {
            /** Format: double */
            minutes: number;
        };
        Reading: {
            divided?: boolean;
            faults?: string[];
            items: components["schemas"]["Ingredient"][];
            maybe?: boolean;
            notes?: string;
            rest?: string;
            role?: string;
            spans?: components["schemas"]["Phrase"][];
            text: string;
        };
        ReadingFault: {
            /** @enum {string} */
            code: "unknown-instrument" | "unknown-unit" | "impossible" | "from-the-future" | "before-the-course";
            got?: string;
            /** Format: int64 */
            index: number;
        };
        Reason: {
            code: string;
            what: string;
        };
        Recipe: {
            became: string[][];
            chill?: components["schemas"]["ReadWait"];
            cook?: components["schemas"]["ReadCook"];
            document?: components["schemas"]["Document"];
            draft?: components["schemas"]["Draft"];
            ingredients: string[];
            /** @enum {string} */
            kind: "page" | "microdata" | "json-ld" | "document" | "csv" | "text";
            /** @enum {string} */
            language?: "en" | "es";
            lines: components["schemas"]["ReadLine"][];
            name: string;
            notes: string[];
            piece?: components["schemas"]["ReadPiece"];
            /** Format: int64 */
            portions: number;
            rest?: components["schemas"]["ReadWait"];
            sections: string[];
            spans: components["schemas"]["StepSpan"][];
            steps: string[];
        };
        RecoveryCodes: {
            codes: string[];
        };
        Refusal: {
            /** Format: int64 */
            count?: number;
            foods: components["schemas"]["Refused"][];
            name?: string;
            /** Format: int64 */
            person: number;
            why: string[];
        };
        Refused: {
            food: string;
            instead: string[];
        };
        Role: {
            /** Format: double */
            cold_pct: number;
            /** Format: double */
            drinks_g: number;
            food: string;
            /** Format: double */
            grams: number;
            /** Format: double */
            hot_pct: number;
            /** Format: double */
            water_g: number;
        };
        Said: {
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_high: number;
            /** Format: double */
            chance_low: number;
            /** Format: double */
            chance_raw: number;
            /** Format: double */
            cooked_ratio: number;
            dryness: string;
            /** Format: double */
            loss_pct: number;
            /** Format: double */
            off_at_minutes: number | null;
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            raw_ratio: number;
            /** Format: double */
            turn_at_minutes: number | null;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Scaling: {
            /** Format: int64 */
            batches: number;
            /** Format: int64 */
            bowls: number;
            document: components["schemas"]["Document"];
            /** Format: double */
            factor: number;
            /** Format: int64 */
            loads: number;
            /** Format: double */
            mass_g: number;
            /** @enum {string} */
            on: "tray" | "pan" | "pot" | "tin";
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            q: number | null;
            /** Format: double */
            q_was: number | null;
            shop: components["schemas"]["Purchase"][];
        };
        School: {
            /** @enum {string} */
            question: "wet-mix" | "egg" | "waiting" | "mixing" | "heat";
            ways: components["schemas"]["SchoolWay"][];
        };
        SchoolWay: {
            code: string;
            way: components["schemas"]["Way"];
        };
        Scoop: {
            /** Format: double */
            ml: number;
            name: string;
        };
        Section: {
            frames: components["schemas"]["Frame"][];
            x_mm: number[];
            z_mm: number[];
        };
        Setting: {
            field: string;
            now: string;
            was: string;
        };
        Settings: {
            /** Format: double */
            altitude_m: number;
            /** Format: double */
            bowl_g: number;
            /** Format: int64 */
            bowls: number;
            /** Format: int64 */
            burners: number;
            /** Format: int64 */
            cooks: number;
            cups?: boolean;
            currency: string;
            eaters?: components["schemas"]["Eaters"];
            figures?: {
                [key: string]: number;
            };
            /** Format: double */
            freezer_celsius: number;
            /** Format: double */
            fridge_celsius: number;
            /** @enum {string} */
            guidance: "us" | "uk" | "own";
            /** @enum {string} */
            oven?: "fan-oven" | "still-oven" | "none";
            /** Format: double */
            oven_offset_celsius: number;
            /** Format: int64 */
            ovens: number;
            /** Format: double */
            own_celsius?: number;
            /** Format: double */
            own_minutes?: number;
            /** Format: double */
            pan_diameter_mm: number;
            /** Format: int64 */
            pans: number;
            /** Format: double */
            pot_diameter_mm: number;
            probe?: boolean;
            /** Format: int64 */
            racks: number;
            /** Format: double */
            room_celsius: number;
            /** Format: double */
            tray_length_mm: number;
            /** Format: double */
            tray_width_mm: number;
            units: components["schemas"]["Units"];
        };
        Shaped: {
            cook: components["schemas"]["Cook"];
            piece: components["schemas"]["Piece"];
        };
        Share: {
            /** Format: double */
            cost: number | null;
            facts: components["schemas"]["Facts"];
            /** Format: double */
            grams: number;
        };
        Side: {
            code: string;
            foods: components["schemas"]["SupperFood"][];
            /** Format: double */
            size_mm?: number;
            steps: components["schemas"]["SupperStep"][];
            text: string;
            worked_step?: string;
        };
        SideText: {
            name?: string;
            /** Format: int64 */
            people?: number;
            steps?: components["schemas"]["SupperStep"][];
            text?: string;
        };
        SignIn: {
            account: string;
            passphrase?: string;
            recovery_code?: string;
        };
        Sitting: {
            began: boolean;
            /** Format: date-time */
            began_at: string;
            by?: string;
            changes: components["schemas"]["Change"][];
            /** Format: int64 */
            count: number;
            /** Format: date-time */
            created_at: string;
            /** Format: int64 */
            first: number;
            label: string;
            /** Format: int64 */
            lines: number;
            name: string;
            /** Format: int64 */
            number: number;
            settings: components["schemas"]["Setting"][];
        };
        SpoonStep: {
            /** Format: double */
            q: number;
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Spoons: {
            /** Format: int64 */
            enough: number;
            food: string;
            have: boolean;
            /** Format: double */
            minutes: number;
            /** Format: double */
            spoon_g: number;
            steps: components["schemas"]["SpoonStep"][];
            /** Format: int64 */
            stop?: number;
            /** @enum {string} */
            unit: "g" | "oz" | "cup" | "tbsp" | "tsp" | "piece";
        };
        Spot: {
            /** Format: int64 */
            line: number;
            /** Format: int64 */
            part: number;
        };
        StageFound: {
            /** Format: int64 */
            held: number;
            /** Format: int64 */
            of: number;
            /** Format: double */
            ratio: number;
        };
        Step: {
            /** Format: double */
            before_minutes: number;
            beside: boolean;
            clock: string;
            /** @enum {string} */
            code: "soak" | "drain" | "press" | "oven-dry" | "roast" | "toast" | "saute" | "brown" | "cool" | "gel" | "blitz" | "mash" | "mix" | "rest" | "shape" | "chill" | "freeze" | "preheat" | "sear" | "cook" | "grill" | "set" | "table" | "make" | "brush";
            /** Format: int64 */
            day: number;
            hands: boolean;
            lines?: number[];
            /** Format: double */
            minutes: number;
            /** Format: int64 */
            part?: number;
            /** Format: int64 */
            times: number;
        };
        StepSpan: {
            /** Format: int64 */
            at: number;
            /** Format: int64 */
            end: number;
            /** Format: int64 */
            line: number;
            /** Format: int64 */
            step: number;
            /** @enum {string} */
            what: "amount" | "food" | "prep" | "part" | "rest" | "chill" | "piece" | "count" | "size" | "method" | "celsius" | "minutes";
        };
        Supper: {
            /** @enum {string} */
            aim?: "latest-start" | "one-cook" | "quiet-end" | "day-before" | "least-oven";
            bought?: string[];
            dishes: components["schemas"]["SupperDish"][];
            eaters?: components["schemas"]["Eaters"];
            /** @enum {string} */
            format: "cuerda-supper/1";
            kitchen?: components["schemas"]["SupperKitchen"];
            name?: string;
            /** Format: date-time */
            now?: string;
            pins?: components["schemas"]["SupperPin"][];
            /** Format: double */
            share_at?: number;
            share_oven?: boolean;
            /**
             * Format: date-time
             * @description when it is on the table, RFC 3339 with its offset
             */
            table: string;
            zone?: string;
        };
        SupperAfter: {
            /** Format: int64 */
            least?: number;
            /** Format: int64 */
            most?: number;
            step: string;
        };
        SupperBox: {
            day: string;
            /** Format: int64 */
            pieces: number;
        };
        SupperBoxLook: {
            /** Format: double */
            celsius: number;
            cools_in_time: boolean;
            day: string;
            /**
             * Format: int64
             * @description after they were cooked
             */
            days: number;
            /** Format: int64 */
            dish: number;
            freeze: boolean;
            /** Format: double */
            freezer_months: number;
            /** Format: double */
            hot_celsius: number;
            last_day: string;
            /** Format: double */
            minutes: number | null;
            /** @enum {string} */
            next: "pasta" | "slices" | "halves" | "hash" | "grains";
            /** Format: int64 */
            pieces: number;
            /** @enum {string} */
            reheat: "oven" | "simmer";
            /** @enum {string} */
            spoils: "microwave" | "oven";
            /** Format: double */
            to_fridge_minutes: number | null;
        };
        SupperContact: {
            free: number[];
            through: ("board" | "pan" | "oil" | "bowl" | "oven")[];
            what: string;
            with: number[];
        };
        SupperDish: {
            /** Format: date-time */
            at?: string;
            boxes?: components["schemas"]["SupperBox"][];
            build?: unknown;
            foods?: components["schemas"]["SupperFood"][];
            from?: components["schemas"]["SupperFrom"];
            name: string;
            /** Format: int64 */
            pieces?: number;
            ready?: components["schemas"]["SupperWindow"];
            side?: string;
            steps?: components["schemas"]["SupperStep"][];
            text?: string;
        };
        SupperDishLook: {
            /** Format: int64 */
            boxed: number;
            /** Format: double */
            grams: number;
            /** @enum {string} */
            kind?: "patty" | "ball" | "loaf" | "cylinder" | "shell" | "stuffing" | "fritter" | "layered";
            known: boolean;
            labels: string[];
            name: string;
            not_for: components["schemas"]["Refusal"][];
            /** Format: int64 */
            pieces: number;
        };
        SupperEntry: {
            /** Format: int64 */
            dishes: number;
            /** Format: uuid */
            id: string;
            name: string;
            /** Format: date-time */
            table: string;
            /** Format: date-time */
            updated_at: string;
            /** Format: int64 */
            version: number;
        };
        SupperFood: {
            food: string;
            /** Format: double */
            grams: number;
        };
        SupperFrom: {
            build: string;
            /** Format: int64 */
            version: number;
        };
        SupperKitchen: {
            /** Format: int64 */
            bowls?: number;
            /** Format: int64 */
            burners?: number;
            /** Format: int64 */
            cooks?: number;
            ovens?: components["schemas"]["SupperOven"][];
            /** Format: int64 */
            pans?: number;
            /** Format: int64 */
            shelves?: number;
        };
        SupperLook: {
            boxes: components["schemas"]["SupperBoxLook"][];
            contact: components["schemas"]["SupperContact"][];
            dishes: components["schemas"]["SupperDishLook"][];
            people: components["schemas"]["SupperPerson"][];
            shop: components["schemas"]["SupperPurchase"][];
        };
        SupperOven: {
            /** Format: int64 */
            heat_up_minutes?: number;
            id: string;
            /** Format: int64 */
            racks: number;
        };
        SupperPerson: {
            /** Format: int64 */
            count: number;
            dishes: number[];
            /** @description a whole plate */
            full: boolean;
            /** Format: double */
            grams: number;
            /** Format: double */
            kcal: number;
            /** @description with something made of pieces */
            main: boolean;
            name: string;
            /** Format: int64 */
            person: number;
        };
        SupperPin: {
            begun?: boolean;
            dish: string;
            /** Format: int64 */
            minutes?: number;
            /** Format: date-time */
            start?: string;
            step: string;
        };
        SupperPurchase: {
            /** @enum {string} */
            aisle: "produce" | "counter" | "chilled" | "cans" | "dry" | "seasoning";
            /** Format: double */
            cost: number | null;
            /** Format: int64 */
            count?: number;
            dishes: number[];
            dry?: string;
            /** Format: double */
            dry_g?: number;
            food: string;
            good_for?: string[];
            /** Format: double */
            grams: number;
            have: boolean;
            /** Format: double */
            left_g?: number;
            /** Format: double */
            liquid_g?: number;
            measure?: components["schemas"]["Measure"];
            name?: string;
            pack?: string;
            /** Format: double */
            pack_g?: number;
            /** Format: int64 */
            suits: number;
        };
        SupperStep: {
            after?: components["schemas"]["SupperAfter"][];
            /** Format: int64 */
            bowls?: number;
            /** Format: int64 */
            burners?: number;
            /** Format: int64 */
            hands?: number;
            /** Format: int64 */
            minutes: number;
            name: string;
            oven?: components["schemas"]["InOven"];
            /** Format: int64 */
            pans?: number;
            /** Format: int64 */
            shelves?: number;
        };
        SupperWindow: {
            /** Format: int64 */
            least: number;
            /** Format: int64 */
            most: number;
        };
        TakeFrom: {
            /** @description the other kitchen */
            from: string;
            id: string;
            /** @enum {string} */
            kind: "build" | "supper" | "food";
        };
        TakenFrom: {
            id: string;
        };
        TakenIn: {
            /** Format: int64 */
            added: number;
            /** Format: int64 */
            calls: number;
            /** Format: int64 */
            continued: number;
            /** Format: int64 */
            copied: number;
            /** Format: int64 */
            courses: number;
            /** Format: int64 */
            same: number;
            /** Format: int64 */
            suppers: number;
            /** Format: int64 */
            tries: number;
        };
        TakenReadings: {
            /** Format: int64 */
            aside: number;
            faults: components["schemas"]["ReadingFault"][];
            /**
             * Format: int64
             * @description readings of probes that have been kept
             */
            kept: number;
            /** Format: int64 */
            late: number;
            /** Format: int64 */
            noted: number;
            /** Format: int64 */
            used: number;
            /** Format: int64 */
            without: number;
        };
        Target: {
            /** Format: double */
            celsius: number;
            food?: string;
            guided: boolean;
            /** Format: double */
            guided_celsius?: number;
            /** Format: double */
            guided_minutes?: number;
            /** Format: double */
            minutes: number;
            /** @enum {string} */
            reason: "poultry" | "stuffing" | "ground-meat" | "egg" | "fish" | "cooked-before" | "plants";
        };
        Thermal: {
            /** Format: double */
            conductivity_w_mk: number;
            /** Format: double */
            density_kg_m3: number;
            /** Format: double */
            heat_capacity_kj_kgk: number;
        };
        Tin: {
            /** Format: double */
            height_mm: number;
            /** Format: double */
            length_mm: number;
            /** Format: double */
            width_mm: number;
        };
        ToMeasure: {
            heat: components["schemas"]["OnHeat"][];
            /** Format: date-time */
            now: string;
            over: boolean;
            /** Format: double */
            speed: number;
            weighing?: components["schemas"]["Weighing"];
        };
        TrustBin: {
            /** Format: double */
            happened: number;
            /** Format: double */
            high: number;
            /** Format: double */
            low: number;
            /** Format: int64 */
            pieces: number;
            /** Format: double */
            said: number;
            /** Format: int64 */
            tries: number;
        };
        TryCause: {
            /** Format: double */
            chance: number;
            change?: components["schemas"]["Change"];
            /** @enum {string} */
            code: "amount" | "left-out" | "added" | "prepared" | "setting" | "wetter" | "drier" | "rough" | "turned-too-soon" | "oven-cool" | "taken-off-early" | "weak-plan" | "luck";
            /** Format: double */
            now: number;
            setting?: components["schemas"]["Setting"];
            /** Format: double */
            was: number;
        };
        TryDraft: {
            build?: string;
            /** Format: date-time */
            cooked_at?: string;
            document?: components["schemas"]["Document"];
            found: components["schemas"]["Found"];
            left_out?: boolean;
            patties?: components["schemas"]["FriedPatties"];
            /** Format: int64 */
            version?: number;
        };
        TryEntry: {
            bite?: string;
            build?: string;
            by?: string;
            /** Format: date-time */
            cooked_at: string;
            course?: string;
            grades?: string[];
            /** Format: int64 */
            held: number;
            /** Format: uuid */
            id: string;
            /** @enum {string} */
            kind: "try" | "patties";
            left_out?: boolean;
            name: string;
            note?: string;
            /** Format: int64 */
            of: number;
            /** @enum {string} */
            outcome: "held" | "some-broke" | "fell-apart" | "unsaid";
            photo?: string;
            /** Format: double */
            said_chance?: number;
            /** @enum {string} */
            squeeze?: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
            unreadable?: boolean;
            /** Format: int64 */
            version?: number;
        };
        TryList: {
            /** Format: int64 */
            all: number;
            /** Format: int64 */
            held: number;
            /** Format: date-time */
            since?: string;
            tries: components["schemas"]["TryEntry"][];
        };
        Units: {
            /** @enum {string} */
            length: "mm" | "inch";
            /** @enum {string} */
            mass: "g" | "oz";
            /** @enum {string} */
            temperature: "C" | "F" | "gas";
        };
        Usage: {
            /** Format: int64 */
            events: number;
            /** Format: int64 */
            photo_bytes: number;
            /** Format: int64 */
            readings: number;
            /** Format: int64 */
            tries: number;
            /** Format: int64 */
            versions: number;
        };
        Version: {
            /** Format: date-time */
            created_at: string;
            label: string;
            /** Format: int64 */
            lines: number;
            name: string;
            /** Format: int64 */
            number: number;
        };
        Vocabulary: {
            allergens: ("celery" | "crustaceans" | "egg" | "fish" | "gluten" | "lupin" | "milk" | "molluscs" | "mustard" | "peanut" | "sesame" | "soy" | "sulphites" | "tree-nut")[];
            diets: ("vegan" | "vegetarian" | "no-pork" | "no-red-meat")[];
            equipment: components["schemas"]["EquipmentLimit"][];
            gas_marks: components["schemas"]["GasMark"][];
            groups: ("meat" | "fish" | "legume" | "grain" | "vegetable" | "fruit" | "nut" | "seed" | "gel" | "grain-binder" | "legume-binder" | "nut-binder" | "starch" | "egg" | "dairy" | "wet" | "fat" | "flavour")[];
            kinds: components["schemas"]["Kind"][];
            limits: components["schemas"]["Limits"];
            methods: components["schemas"]["Method"][];
            part_kinds: ("filling" | "middle" | "shell" | "wrap" | "vessel" | "coating" | "wash" | "glaze" | "sauce" | "broth")[];
            preps: components["schemas"]["Prep"][];
            scoops: components["schemas"]["Scoop"][];
            tins: components["schemas"]["Tin"][];
            wants: ("grain-free" | "low-salt" | "no-added-sugar" | "nut-free" | "oil-free")[];
            whens: ("start" | "half-way" | "end")[];
            zones: components["schemas"]["Zone"][];
        };
        Voice: {
            /** @enum {string} */
            bite?: "dry" | "right" | "wet";
            by?: string;
            /** @enum {string} */
            hold?: "held" | "some-broke" | "fell-apart";
            note?: string;
            /** @enum {string} */
            shaped?: "easy" | "sticky" | "crumbly";
        };
        Wait: {
            /** Format: double */
            celsius?: number;
            /** Format: double */
            minutes: number;
        };
        Way: {
            add: components["schemas"]["Addition"][];
            /** @enum {string} */
            aim: "least-binder" | "no-waiting" | "from-pantry" | "most-tender" | "no-legume-taste" | "lowest-cost" | "fewest-allergens" | "dry-first" | "" | "as-is";
            /** Format: double */
            chance: number;
            /** Format: double */
            chance_cooked: number;
            /** Format: double */
            chance_raw: number;
            changes: components["schemas"]["Change"][];
            /** Format: double */
            cooked_ratio: number;
            document: components["schemas"]["Document"];
            drop?: string[];
            dry?: components["schemas"]["Dry"];
            have: boolean;
            /** @enum {string} */
            kind: "gel" | "flour" | "starch" | "root" | "nut-meal" | "several" | "work" | "none";
            /** Format: double */
            limit_pct: number;
            out: string[];
            /** Format: double */
            price?: number;
            /** Format: double */
            q: number;
            /** Format: double */
            raw_ratio: number;
            /** Format: double */
            rest_minutes: number;
            /** Format: double */
            saves_minutes: number;
            settings: components["schemas"]["Setting"][];
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
        Weighed: {
            /** Format: double */
            grams: number;
        };
        Weighing: {
            /** Format: double */
            grams: number;
            key: string;
            /** Format: double */
            within: number;
        };
        WhatIf: {
            /** @enum {string} */
            change: "bigger" | "cooler" | "from-room";
            /** Format: double */
            minutes: number | null;
            /** Format: double */
            more_minutes: number;
        };
        Yield: {
            /** Format: double */
            piece_g: number;
            /** Format: int64 */
            pieces: number;
            /** @enum {string} */
            remainder: "none" | "share-out" | "larger" | "one-small" | "nearly-one";
            /** Format: double */
            remainder_g: number;
            /** Format: double */
            share_g?: number;
        };
        Zone: {
            /** Format: double */
            from: number;
            show: {
                [key: string]: number;
            };
            tells: ("crumbs" | "cracks" | "edge" | "clean" | "film" | "strings" | "sheen" | "slump")[];
            /** @enum {string} */
            word: "crumbles" | "short" | "firm" | "tacky" | "slack" | "slumps" | "no-paste";
        };
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    makeDemonstration: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listShelf: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Food"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getHealth: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    lookAtInvitation: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                token: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["InvitationLook"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    acceptInvitation: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                token: string;
            };
            cookie?: never;
        };
        requestBody?: {
            content: {
                "application/json": components["schemas"]["NewAccountSent"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Accepted"];
                };
            };
            /** @description Unauthorized */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listKitchens: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"][];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    makeKitchen: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["KitchenFirst"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["KitchenEntry"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    followLink: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                token: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Linked"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getMe: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Me"];
                };
            };
            /** @description Unauthorized */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    eraseAccount: {
        parameters: {
            query?: {
                /** @description one's name, typed again */
                name?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    packAccount: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description A file. */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/zip": unknown;
                };
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listPasskeys: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Passkey"][];
                };
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addPasskey: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PasskeyAnswer"];
            };
        };
        responses: {
            /** @description Created */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    beginPasskey: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PasskeyAsked"];
                };
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    removePasskey: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    setPassphrase: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PassphraseInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Me"];
                };
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    makeRecoveryCodes: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["RecoveryCodes"];
                };
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listSessions: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["OneSession"][];
                };
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    endSession: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                /** @description the build */
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    pair: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PairInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Me"];
                };
            };
            /** @description Not Found */
            404: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    whatToMeasure: {
        parameters: {
            query?: never;
            header?: {
                /** @description Bearer and a token of a course that goes on */
                Authorization?: string;
            };
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["ToMeasure"];
                };
            };
            /** @description Unauthorized */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    sendReadings: {
        parameters: {
            query?: never;
            header?: {
                /** @description Bearer and a token of a course that goes on */
                Authorization?: string;
            };
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/senml+json": Record<string, never>[];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["TakenReadings"];
                };
            };
            /** @description Unauthorized */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Request Entity Too Large */
            413: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Insufficient Storage */
            507: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getReady: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Health"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Service Unavailable */
            503: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    signIn: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["SignIn"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Me"];
                };
            };
            /** @description Unauthorized */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    signOut: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description No Content */
            204: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    signInByPasskey: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PasskeyAnswer"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Me"];
                };
            };
            /** @description Unauthorized */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    beginPasskeySignIn: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["PasskeyAsked"];
                };
            };
            /** @description Conflict */
            409: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    prove: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["PassphraseInputBody"];
            };
        };
        responses: {
            /** @description OK */
            200: {
                headers: {
                    "Set-Cookie"?: string;
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Me"];
                };
            };
            /** @description Unauthorized */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Forbidden */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Unprocessable Entity */
            422: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Too Many Requests */
            429: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    getVocabulary: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description OK */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": components["schemas"]["Vocabulary"];
                };
            };
            /** @description Internal Server Error */
            500: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
}
