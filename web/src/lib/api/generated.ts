/** Made from the API's description by `make api`; do not change it by hand. */

export interface paths {
    "/api/backups": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BackupsOut"];
                    };
                };
            };
        };
        post: {
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["BackupsOut"];
                    };
                };
            };
        };
    };
    "/api/backups/{name}": {
        get: {
            parameters: {
                path: {
                    name: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/zip": string;
                    };
                };
            };
        };
    };
    "/api/backups/{name}/restore": {
        post: {
            parameters: {
                path: {
                    name: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BackupsOut"];
                    };
                };
            };
        };
    };
    "/api/blanks": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BlanksOut"];
                    };
                };
            };
        };
    };
    "/api/blanks/{number}": {
        delete: {
            parameters: {
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BlanksOut"];
                    };
                };
            };
        };
    };
    "/api/catalogue": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CatalogueOut"];
                    };
                };
            };
        };
    };
    "/api/clocks": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["ClocksOut"];
                    };
                };
            };
        };
    };
    "/api/cutter": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CutRunsOut"];
                    };
                };
            };
        };
    };
    "/api/cutter/{number}": {
        delete: {
            parameters: {
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CutRunsOut"];
                    };
                };
            };
        };
    };
    "/api/cutter/{number}/{act}": {
        post: {
            parameters: {
                path: {
                    number: number;
                    act: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CutRunsOut"];
                    };
                };
            };
        };
    };
    "/api/examples": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["ExamplesOut"];
                    };
                };
            };
        };
    };
    "/api/examples/{key}": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    key: string;
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/faces": {
        get: {
            parameters: {
                query?: {
                    text?: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["FaceKeysOut"];
                    };
                };
            };
        };
    };
    "/api/guide": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["HandbookOut"];
                    };
                };
            };
        };
    };
    "/api/health": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["HealthOut"];
                    };
                };
            };
        };
    };
    "/api/jobs": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BoardOut"];
                    };
                };
            };
        };
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            requestBody?: {
                content: {
                    "multipart/form-data": {
                        artwork?: string;
                        blank?: string;
                        face?: string;
                        height?: string;
                        name?: string;
                        plainer?: string;
                        recipe?: string;
                        surface?: string;
                        width?: string;
                        words?: string;
                    };
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/away": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BoardOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/deleted": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BoardOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/job-file": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            requestBody?: {
                content: {
                    "multipart/form-data": {
                        file?: string;
                    };
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
        delete: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                204: {
                };
            };
        };
        patch: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["JobIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/again": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["AgainIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["BegunOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/arrange": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["ArrangeIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/artwork": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "multipart/form-data": {
                        artwork?: string;
                        plainer?: string;
                    };
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/bench-sheet-{paper}.pdf": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    paper: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/pdf": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/blank/keep": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["KeepBlankIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BlanksOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/blank/take/{number}": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/bridges": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["BridgeMove"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/bridges/remove": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["BridgeKeyIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/bridges/reset": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["PiecesIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/bridges/try": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["BridgeMove"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["BridgeOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/bring-back": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                204: {
                };
            };
        };
    };
    "/api/jobs/{job_id}/care-cards-{paper}.pdf": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    paper: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/pdf": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/coatings/move": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["MoveCoatingIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/costs": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CostsOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/cure": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CureOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/elements/{element}": {
        delete: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    element: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
        patch: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    element: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["ElementIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/elements/{element}/copy": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    element: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/elements/{element}/faces/{face}": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    element: number;
                    face: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["FacePreviewOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/elements/{element}/picture.png": {
        get: {
            parameters: {
                path: {
                    job_id: number;
                    element: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "image/png": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/erase": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                204: {
                };
            };
        };
    };
    "/api/jobs/{job_id}/fates": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["FatesIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/fit": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/follow": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["FollowIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/frames": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["FrameIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/happened": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["HappenedOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/head": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["HeadOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/job-file": {
        get: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/zip": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/layouts": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["LayoutsOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/layouts/{code}": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    code: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/look": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["LookIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["LookOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/masks/{number}.svg": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    anyway?: boolean;
                };
                path: {
                    job_id: number;
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "image/svg+xml": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/masks/{number}/keep": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    number: number;
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["JobStoresOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/masks/{number}/keepers-{paper}.pdf": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    number: number;
                    paper: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/pdf": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/masks/{number}/laid": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["ReadingsIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["LaidOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/mend": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["MendIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/mending": {
        get: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["MendingOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/methods/{key}": {
        get: {
            parameters: {
                path: {
                    job_id: number;
                    key: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["MethodChangeOut"];
                    };
                };
            };
        };
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    key: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/offcuts": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["OffcutIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["JobStoresOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/outline": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "multipart/form-data": {
                        outline?: string;
                    };
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/paint": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["PaintOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/patches": {
        delete: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/patches/{number}": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["PatchIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/peel": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["PeelOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/photos/{when}": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    when: string;
                };
            };
            requestBody?: {
                content: {
                    "multipart/form-data": {
                        photo?: string;
                    };
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
        delete: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    when: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/photos/{when}.jpg": {
        get: {
            parameters: {
                query?: {
                    small?: boolean;
                    version?: number | null;
                };
                path: {
                    job_id: number;
                    when: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "image/jpeg": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/place": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/price": {
        put: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["PriceEntry"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CostsOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/put-away": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                204: {
                };
            };
        };
    };
    "/api/jobs/{job_id}/quotation-{paper}.pdf": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    paper: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/pdf": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/recipe": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                    surface?: string;
                    material?: string;
                    paint?: string;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["RecipeIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["RecipesOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/recipe/{number}": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/record": {
        put: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["RecordIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/redo": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/remedies": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["FindingIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["RemediesOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/remedies/apply": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["RemedyIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/seams/{name}/laid": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    name: string;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["SeamReadingsIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SeamLaidOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/search": {
        get: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SearchOut"];
                    };
                };
            };
        };
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SearchOut"];
                    };
                };
            };
        };
        delete: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SearchOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/search/stop": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SearchOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/sheets.zip": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    anyway?: boolean;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/zip": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/sheets/{number}.{kind}": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    anyway?: boolean;
                };
                path: {
                    job_id: number;
                    number: number;
                    kind: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/pdf": string;
                        "application/vnd.hp-hpgl": string;
                        "image/png": string;
                        "image/svg+xml": string;
                        "image/vnd.dxf": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/sheets/{number}/cut": {
        post: {
            parameters: {
                path: {
                    job_id: number;
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["CutRunIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["CutRunsOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/stations/{code}": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                    code: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StationOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/stores": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobStoresOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/begun": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["BegunIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/call": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["CallsIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/count": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["CountIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/done": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["DoneIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/dried": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["BegunIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/lifted": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["LiftedIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/mark": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["MarkIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/mended": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["MendedIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/unmark": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["MarkedIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/tasks/used": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["UsedIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/times.ics": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "text/calendar": string;
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/undo": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/weather": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["ForecastOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/weed": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WeedOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/weed/rehearsals": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["RehearsalIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WeedOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/words": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["WordsIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["JobOut"];
                    };
                };
            };
        };
    };
    "/api/jobs/{job_id}/work": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    job_id: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkOut"];
                    };
                };
            };
        };
    };
    "/api/learning": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["LearningOut"];
                    };
                };
            };
        };
        put: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["LearntIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["LearningOut"];
                    };
                };
            };
        };
    };
    "/api/learning/undo": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["LearningOut"];
                    };
                };
            };
        };
    };
    "/api/mix": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["MixIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["MixOut"];
                    };
                };
            };
        };
    };
    "/api/recipes": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                    surface?: string;
                    material?: string;
                    paint?: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["RecipesOut"];
                    };
                };
            };
        };
    };
    "/api/recipes.json": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": string;
                    };
                };
            };
        };
    };
    "/api/recipes/file": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                    surface?: string;
                    material?: string;
                    paint?: string;
                };
            };
            requestBody?: {
                content: {
                    "multipart/form-data": {
                        file?: string;
                    };
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["RecipesOut"];
                    };
                };
            };
        };
    };
    "/api/recipes/{number}": {
        put: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                    surface?: string;
                    material?: string;
                    paint?: string;
                };
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["RecipeIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["RecipesOut"];
                    };
                };
            };
        };
        delete: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                    surface?: string;
                    material?: string;
                    paint?: string;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["RecipesOut"];
                    };
                };
            };
        };
    };
    "/api/recipes/{number}/undo": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                    surface?: string;
                    material?: string;
                    paint?: string;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["RecipesOut"];
                    };
                };
            };
        };
    };
    "/api/session": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SessionOut"];
                    };
                };
            };
        };
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["SignInIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SessionOut"];
                    };
                };
            };
        };
        delete: {
            parameters: {
                query?: {
                    everywhere?: boolean;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SessionOut"];
                    };
                };
            };
        };
    };
    "/api/session/invitation": {
        post: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["InvitationOut"];
                    };
                };
            };
        };
    };
    "/api/session/key": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["KeyIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["SessionOut"];
                    };
                };
            };
        };
    };
    "/api/stores": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["ItemNewIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items/{number}": {
        put: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["ItemIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
        delete: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items/{number}/buy": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["AmountIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items/{number}/count": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["AmountIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items/{number}/ledger": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["LedgerOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items/{number}/take-back": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items/{number}/undo": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/items/{number}/worn": {
        post: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["StoresOut"];
                    };
                };
            };
        };
    };
    "/api/stores/shopping-{paper}.pdf": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
                path: {
                    paper: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/pdf": string;
                    };
                };
            };
        };
    };
    "/api/stores/shopping.csv": {
        get: {
            parameters: {
                query?: {
                    unit?: "mm" | "cm" | "in";
                    copy?: number;
                    room?: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
                };
            };
            responses: {
                200: {
                    content: {
                        "text/csv": string;
                    };
                };
            };
        };
    };
    "/api/waits/{key}": {
        get: {
            parameters: {
                path: {
                    key: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WaitOut"];
                    };
                };
            };
        };
    };
    "/api/waits/{key}/stop": {
        post: {
            parameters: {
                path: {
                    key: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WaitOut"];
                    };
                };
            };
        };
    };
    "/api/workshop": {
        get: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/cutters": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["CutterIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/cutters/{number}": {
        put: {
            parameters: {
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["CutterIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/hours": {
        put: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["Hours"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["Hours"];
                    };
                };
            };
        };
    };
    "/api/workshop/paints": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["PaintIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/paints/{number}": {
        put: {
            parameters: {
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["PaintIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/presses": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["PressIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/presses/{number}": {
        put: {
            parameters: {
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["PressIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/rates": {
        put: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["Rates"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["Rates"];
                    };
                };
            };
        };
    };
    "/api/workshop/rates/undo": {
        post: {
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["Rates"];
                    };
                };
            };
        };
    };
    "/api/workshop/swatches": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["SwatchIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/swatches/{number}": {
        put: {
            parameters: {
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["SwatchIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/swatches/{number}/photo": {
        post: {
            parameters: {
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "multipart/form-data": {
                        photo?: string;
                    };
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
        delete: {
            parameters: {
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/swatches/{number}/photo.jpg": {
        get: {
            parameters: {
                query?: {
                    small?: boolean;
                    version?: number | null;
                };
                path: {
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "image/jpeg": string;
                    };
                };
            };
        };
    };
    "/api/workshop/test-cut": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["AdviceIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["CutAdviceOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/test-cuts": {
        post: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["TestCutIn"];
                };
            };
            responses: {
                201: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/test-cuts/{number}": {
        put: {
            parameters: {
                path: {
                    number: number;
                };
            };
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["TestCutIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/test-pattern.{kind}": {
        get: {
            parameters: {
                path: {
                    kind: string;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/pdf": string;
                        "application/vnd.hp-hpgl": string;
                        "image/svg+xml": string;
                        "image/vnd.dxf": string;
                    };
                };
            };
        };
    };
    "/api/workshop/tools": {
        put: {
            requestBody?: {
                content: {
                    "application/json": components["schemas"]["ToolsIn"];
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/{kind}/{number}": {
        delete: {
            parameters: {
                path: {
                    kind: string;
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/workshop/{kind}/{number}/undo": {
        post: {
            parameters: {
                path: {
                    kind: string;
                    number: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["WorkshopOut"];
                    };
                };
            };
        };
    };
    "/api/years/{year}": {
        get: {
            parameters: {
                path: {
                    year: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "application/json": components["schemas"]["YearOut"];
                    };
                };
            };
        };
    };
    "/api/years/{year}.csv": {
        get: {
            parameters: {
                path: {
                    year: number;
                };
            };
            responses: {
                200: {
                    content: {
                        "text/csv": string;
                    };
                };
            };
        };
    };
}
export type webhooks = Record<string, never>;
export interface components {
    schemas: {
        AdviceIn: {
            cutter: string;
            material: string;
            tries?: components["schemas"]["Try"][];
        };
        AdviceOut: {
            /** @enum {string} */
            masks: "one" | "each" | "lines";
            why: string;
        };
        AgainIn: {
            blanks?: number[];
            due?: string | null;
            name: string;
        };
        AmountIn: {
            amount: number;
            note?: string;
        };
        ArrangeIn: {
            /** @enum {string} */
            how: "left" | "middle" | "right" | "top" | "centre" | "bottom" | "spread-across" | "spread-down" | "blank-middle" | "blank-centre";
            numbers?: number[];
        };
        AssembledOut: {
            box: [
                number,
                number,
                number,
                number
            ];
            from_edges: [
                number,
                number,
                number,
                number
            ];
            mask: number;
            number: number;
            path: string;
            whole: boolean;
        };
        BackupOut: {
            made_at: string;
            name: string;
            size: number;
            why: string;
        };
        BackupsOut: {
            backups: components["schemas"]["BackupOut"][];
            folder: string;
            free: number;
            size: number;
        };
        BegunIn: {
            task: string;
        };
        BegunOut: {
            jobs: number[];
        };
        Blank: {
            back?: ("bare" | "rubber" | "felt") | null;
            clear?: components["schemas"]["ClearArea"][];
            colour?: string;
            corner?: number;
            garment?: components["schemas"]["Garment"] | null;
            heat?: number | null;
            height: number;
            /** @enum {string} */
            keeps?: "size" | "margins";
            measured_height?: number | null;
            measured_width?: number | null;
            outline?: string | null;
            outline_name?: string;
            rim?: number;
            /** @enum {string} */
            shape?: "rectangle" | "oval" | "outline" | "garment";
            width: number;
        };
        BlanksOut: {
            blanks: components["schemas"]["StoredBlankOut"][];
        };
        BoardOut: {
            broken: components["schemas"]["BrokenOut"][];
            jobs: components["schemas"]["CardOut"][];
            looks: components["schemas"]["DueLook"][];
        };
        BreakEven: {
            copies: number;
            material: string;
        };
        BridgeKeyIn: {
            index: number;
            piece: number;
        };
        BridgeMove: {
            at?: [
                number,
                number
            ] | null;
            index?: number | null;
            piece: number;
            slide?: number;
            width?: number | null;
        };
        BridgeOut: {
            by_hand: boolean;
            end: [
                number,
                number
            ];
            index: number;
            length: number;
            path: string;
            piece: number;
            start: [
                number,
                number
            ];
            to: number;
            width: number;
        };
        BrokenOut: {
            fix: string;
            id: number;
            name: string;
            what: string;
        };
        CallOut: {
            all_here: string | null;
            answered: {
                [key: string]: string;
            };
            counts: components["schemas"]["CountOut"][];
            keepers_counted: number | null;
            lifted: number[];
            numbers: number[];
            /** @enum {string} */
            of: "keepers" | "placements" | "touch-ups";
        };
        CallsIn: {
            numbers: number[];
            present: boolean;
            task: string;
        };
        CardOut: {
            about: string;
            blank_colour: string;
            clocks: components["schemas"]["ClockOut"][];
            colours: components["schemas"]["ColourOut"][];
            due: string | null;
            height: number;
            id: number;
            loose: number;
            name: string;
            next_title: string | null;
            outline: string;
            /** @enum {string} */
            phase: "decide" | "work" | "dry" | "done";
            /** @enum {string} */
            state: "stop" | "warn" | "ready" | "done";
            station: string;
            station_name: string;
            surface_name: string;
            tasks: number;
            tasks_done: number;
            verdict: string;
            width: number;
        };
        CatalogueOut: {
            covers: components["schemas"]["ChoiceOut"][];
            cutters: components["schemas"]["ChoiceOut"][];
            faces: components["schemas"]["FaceOut"][];
            figures: components["schemas"]["FigureOut"][];
            garments: components["schemas"]["ChoiceOut"][];
            limits: {
                [key: string]: components["schemas"]["Limit"];
            };
            materials: components["schemas"]["ChoiceOut"][];
            paints: components["schemas"]["ChoiceOut"][];
            placements: components["schemas"]["ChoiceOut"][];
            presses: components["schemas"]["ChoiceOut"][];
            roles: {
                [key: string]: string[];
            };
            surfaces: components["schemas"]["ChoiceOut"][];
            tools: [
                string,
                string
            ][];
        };
        CauseOut: {
            key: string;
            name: string;
        };
        CheckPairOut: {
            distance: number;
            first: [
                number,
                number
            ];
            name: string;
            second: [
                number,
                number
            ];
        };
        ChoiceKeyOut: {
            key: string;
            name: string;
        };
        ChoiceOut: {
            about: string;
            key: string;
            name: string;
            suits: string[];
        };
        ClearArea: {
            height?: number;
            name?: string;
            /** @enum {string} */
            shape?: "rectangle" | "round";
            /** @enum {string} */
            timing?: "there" | "before" | "after";
            /** @enum {string} */
            why?: "staples" | "trim" | "strap" | "seam" | "edge" | "holes" | "line" | "other";
            width?: number;
            x: number;
            y: number;
        };
        ClearOut: {
            at: [
                number,
                number
            ];
            name: string;
            path: string;
        };
        ClockOut: {
            closes: string | null;
            copy_no: number | null;
            drying: string | null;
            first: string;
            fits_until: string | null;
            late: string;
            opens: string | null;
            station: string;
            task: string;
            title: string;
            unfit: string;
        };
        ClocksOut: {
            alarm_minutes: number;
            clocks: components["schemas"]["JobClockOut"][];
        };
        Coating: {
            coats?: number | null;
            colour?: string | null;
            mix?: components["schemas"]["MixPart"][];
            paint: string;
            /** @enum {string} */
            role: "base" | "edge-seal" | "colour" | "over-colour" | "ground" | "seal" | "finish";
            where?: ("everywhere" | "under" | "mask" | "over") | null;
        };
        CoatingOut: {
            area: number;
            bottles: number | null;
            cans: number | null;
            coat_ml: number;
            coats: number;
            coats_why: string;
            colour: string | null;
            handle: number;
            high_ml: number;
            is_sprayed: boolean;
            low_ml: number;
            mask: number | null;
            next_coat: number;
            number: number;
            paint: string;
            paint_name: string;
            pour_ml: number;
            /** @enum {string} */
            role: "base" | "edge-seal" | "colour" | "over-colour" | "ground" | "seal" | "finish";
            role_name: string;
            total_ml: number;
            touch: number;
            use: number;
            wash: number | null;
            /** @enum {string} */
            where: "everywhere" | "under" | "mask" | "over";
            why: string;
        };
        CollarOut: {
            at: [
                number,
                number
            ];
            middle: number;
            top: number;
        };
        ColourOut: {
            colour: string;
            path: string;
        };
        Consequence: {
            border: number;
            cost: number | null;
            keepers: string;
            material: string;
            minutes: number;
            mirrored: boolean;
            pins: number;
            placed: number;
            rests: number;
            seams: number;
            sheets: number;
        };
        CostLine: {
            key: string;
            money: number;
            name: string;
            why: string;
        };
        CostsOut: {
            a_copy: number;
            against_bought: number | null;
            batch: number;
            by_margin: number;
            copies: number;
            entry: components["schemas"]["PriceEntry"];
            hours: number;
            lacks: string[];
            left_over: number;
            lines: components["schemas"]["CostLine"][];
            material: string;
            material_name: string;
            material_price: number;
            name: string;
            numbers: components["schemas"]["NumberOut"][];
            paints: {
                [key: string]: string;
            };
            price: number;
            rates: components["schemas"]["Rates"];
            rights: string;
            table: {
                [key: string]: number;
            };
            version: number;
        };
        CountIn: {
            count: number;
            task: string;
            what: string;
        };
        CountOut: {
            counted: number | null;
            expected: number | null;
            name: string;
            planned: number | null;
            what: string;
        };
        CureOut: {
            by: components["schemas"]["ReadyOut"] | null;
            events: components["schemas"]["EventOut"][];
            hours: components["schemas"]["Hours"];
            now: string;
            ready: string | null;
        };
        CutAdviceOut: {
            is_found: boolean;
            settings: components["schemas"]["CutSettings"];
            /** @enum {string} */
            simulated: "not-through" | "clean" | "into-backing" | "tears";
            why: string;
        };
        CutRunIn: {
            anyway?: boolean;
            fault?: ("slip" | "blunt" | "link-lost") | null;
        };
        CutRunOut: {
            at: [
                number,
                number
            ];
            cutter: string;
            freed: number | null;
            job: number;
            mask_parts: number | null;
            number: number;
            problems: string[];
            remedy: string;
            seconds_left: number;
            settings: string;
            share: number;
            sheet: number;
            /** @enum {string} */
            state: "waiting" | "loaded" | "cutting" | "paused" | "stopped" | "fault" | "done";
            title: string;
            trouble: string | null;
            windows: number | null;
        };
        CutRunsOut: {
            runs: components["schemas"]["CutRunOut"][];
        };
        CutSettings: {
            force: number;
            passes: number;
            speed: number;
        };
        Cutter: {
            acceleration: number;
            fastest: number;
            /** @enum {string} */
            feeds: "mat" | "roll" | "hand";
            force: number;
            force_low: number;
            key: string;
            lift: number;
            name: string;
            reach_length: number;
            reach_width: number;
            slowest: number;
        };
        CutterIn: {
            acceleration: number;
            fastest: number;
            /** @enum {string} */
            feeds: "mat" | "roll" | "hand";
            force: number;
            force_low: number;
            lift: number;
            name: string;
            reach_length: number;
            reach_width: number;
            slowest: number;
        };
        DesignPictureOut: {
            colours: components["schemas"]["ColourOut"][];
            overhang: string;
            painted_box: [
                number,
                number,
                number,
                number
            ];
        };
        DistancesOut: {
            bottom: number;
            /** @enum {string} */
            datum: "edges" | "rim" | "seams" | "middle" | "collar";
            left: number;
            reads: {
                [key: string]: string;
            };
            right: number;
            to: string;
            top: number;
        };
        DoneIn: {
            all_here?: boolean;
            at?: string | null;
            began?: string | null;
            done: boolean;
            reason?: string;
            task: string;
        };
        DueLook: {
            job: number;
            name: string;
            since: string;
            /** @enum {string} */
            when: "week" | "month" | "year";
        };
        ElementIn: {
            align?: ("left" | "centre" | "right") | null;
            arc?: number | null;
            capitals?: boolean | null;
            colour?: string | null;
            dash?: number | null;
            edits?: components["schemas"]["PartEdit"][] | null;
            embolden?: number | null;
            face?: string | null;
            flipped?: boolean | null;
            gap?: number | null;
            inset?: number | null;
            letter_colours?: [
                number,
                string
            ][] | null;
            letter_gap?: number | null;
            line_gap?: number | null;
            repeat?: components["schemas"]["Repeat"] | null;
            runs_off?: boolean | null;
            size?: number | null;
            sized_by?: ("cap" | "width") | null;
            style?: ("single" | "double" | "dashed") | null;
            text?: string | null;
            thickness?: number | null;
            trace?: components["schemas"]["TraceIn"] | null;
            turn?: number | null;
            width?: number | null;
            x?: number | null;
            y?: number | null;
        };
        ElementOut: {
            asked: number;
            box: [
                number,
                number,
                number,
                number
            ];
            colour: string | null;
            colour_name: string | null;
            copies: number;
            corners: [
                number,
                number
            ][];
            edits: components["schemas"]["PartEdit"][];
            embolden: number;
            flipped: boolean;
            frame: components["schemas"]["FrameOut"] | null;
            height: number;
            id: number;
            /** @enum {string} */
            kind: "words" | "drawn" | "traced" | "frame";
            laid: number;
            name: string;
            parts: components["schemas"]["PartOut"][];
            parts_more: number;
            path: string;
            repeat: components["schemas"]["Repeat"] | null;
            runs_off: boolean;
            trace: components["schemas"]["TraceOut"] | null;
            turn: number;
            width: number;
            words: components["schemas"]["WordsOut"] | null;
            x: number;
            y: number;
        };
        EventOut: {
            begins: string;
            done: boolean;
            ends: string;
            task: string;
            title: string;
            waits: string;
        };
        ExampleOut: {
            key: string;
            name: string;
        };
        ExamplesOut: {
            examples: components["schemas"]["ExampleOut"][];
        };
        FaceKeysOut: {
            faces: string[];
        };
        FaceOut: {
            key: string;
            kind: string;
            kind_name: string;
            name: string;
        };
        FacePreviewOut: {
            face: string;
            height: number;
            holds: boolean;
            loose: number;
            path: string;
            verdict: string;
            width: number;
        };
        FacingSchoolOut: {
            about: string;
            advised: boolean;
            key: string;
            name: string;
        };
        FatesIn: {
            fate: ("bridge" | "keep" | "leave-out" | "drop") | null;
            numbers?: number[] | null;
        };
        FigureOut: {
            high: number;
            key: string;
            low: number;
            name: string;
            table: string;
            unit: string;
            value: number;
            why: string;
        };
        FindingIn: {
            finding: string;
        };
        FindingOut: {
            at: [
                number,
                number
            ] | null;
            /** @enum {string} */
            code: "base-missing" | "broken-path" | "clear-field" | "clear-near" | "clear-painted" | "colour-gap" | "colours-alike" | "contact" | "copies-fewer" | "dashes" | "effect" | "faint-mask" | "fixed-stroke" | "foreign" | "hpgl-scaled" | "hpgl-skipped" | "letter-low" | "live-text" | "many-pieces" | "mask-alike" | "must-bridge" | "neck" | "no-glyph" | "off-blank" | "off-margin" | "off-page" | "open-lines" | "paint-like-mask" | "part-small" | "pattern" | "plainer" | "raster" | "stroke-thin" | "style" | "text" | "tongue" | "web-thin";
            element: number | null;
            key: string;
            limit: number | null;
            measured: number | null;
            message: string;
            piece: number | null;
            /** @enum {string} */
            severity: "stop" | "warn" | "note";
            station: string;
        };
        FineSpot: {
            at: [
                number,
                number
            ];
            /** @enum {string} */
            measure: "stroke" | "web" | "part" | "letter";
            measured: number;
        };
        FollowIn: {
            height: number;
            width: number;
        };
        ForecastOut: {
            hours: components["schemas"]["HourOut"][];
            source: string;
            spells: components["schemas"]["Spell"][];
            summary: string;
        };
        FrameIn: {
            /** @enum {string} */
            style?: "single" | "double" | "dashed";
        };
        FrameOut: {
            dash: number;
            gap: number;
            inset: number;
            /** @enum {string} */
            style: "single" | "double" | "dashed";
            thickness: number;
        };
        Garment: {
            across?: number | null;
            drop?: number | null;
            placement?: string;
            size?: string;
            widest?: number | null;
        };
        Guide: {
            at: number;
            element: number | null;
        };
        HandbookOut: {
            purposes: {
                [key: string]: string;
            };
            terms: components["schemas"]["Term"][];
        };
        HappenedOut: {
            causes: components["schemas"]["CauseOut"][];
            is_closed: boolean;
            is_worth_a_recipe: boolean;
            lessons: components["schemas"]["LessonOut"][];
            poured: components["schemas"]["Poured"][];
            spells: components["schemas"]["SpellOut"][];
            steps: components["schemas"]["StepOut"][];
            untimed: string;
        };
        HeadOut: {
            clocks: components["schemas"]["ClockOut"][];
            history: components["schemas"]["HistoryOut"];
            id: number;
            name: string;
            next: components["schemas"]["NextOut"] | null;
            stations: components["schemas"]["StationHeadOut"][];
            version: number;
        };
        HealthOut: {
            empty: boolean;
            release: string;
        };
        HeldOut: {
            about: string;
            can_undo: boolean;
            colour: string | null;
            free: number;
            free_shown: string;
            id: number;
            is_low: boolean;
            is_offcut: boolean;
            keep_at_least: number;
            key: string;
            /** @enum {string} */
            kind: "blank" | "roll" | "sheets" | "paint" | "pins" | "tape" | "carrier" | "mask";
            left: number;
            length: number | null;
            name: string;
            notes: string;
            opened: string | null;
            reserved: components["schemas"]["ReservedOut"][];
            said: string;
            shown: string;
            /** @enum {string} */
            unit: "pieces" | "mm" | "ml" | "uses";
            width: number | null;
        };
        Help: {
            label: string;
            meets: boolean;
            ready: string;
        };
        HelpCard: {
            key: string;
            text: string;
            title: string;
        };
        HistoryOut: {
            redo: string | null;
            undo: string | null;
        };
        HourOut: {
            at: string;
            humidity: number;
            rain: boolean;
            temperature: number;
            /** @enum {string} */
            verdict: "go" | "unknown" | "wait" | "no";
            wind: number;
        };
        Hours: {
            day_from?: number;
            day_until?: number;
            days?: number[];
        };
        InForceOut: {
            border: number;
            bridge_width: number;
            has_back: boolean;
            heat: number | null;
            overlap: number;
            see_through: boolean;
        };
        InputsOut: {
            /** @enum {string} */
            aim: "price" | "sheets" | "seams";
            base_at_touch: boolean;
            blank: components["schemas"]["Blank"];
            border: number | null;
            /** @enum {string} */
            bridge_style: "shortest" | "upright" | "level" | "radial";
            bridge_width: number | null;
            bridges_per_piece: number | null;
            coatings: components["schemas"]["Coating"][];
            copies: number;
            cover_paper: string;
            covered: boolean;
            cut: components["schemas"]["CutSettings"] | null;
            cutter: string;
            dauber: boolean;
            due: string | null;
            field_colour: string;
            kept_masks: number[];
            load: ("heavy" | "light") | null;
            mask_order: string[];
            /** @enum {string} */
            masks: "one" | "each" | "lines";
            material: string;
            may_sell: boolean | null;
            method: string | null;
            name: string;
            offcuts: boolean;
            origin: string;
            overlap: number | null;
            peel_first: ("keepers" | "sheet") | null;
            peel_when: ("wet" | "set" | "touch-dry" | "at-once" | "dry" | "five-minutes") | null;
            press: string;
            reverse: boolean;
            seen_through: boolean | null;
            stock: number | null;
            surface: string;
            together: number[];
            use: ("open" | "sheltered" | "indoor" | "worn" | "touched" | "food-near") | null;
            /** @enum {string} */
            wanted: "solid" | "worn" | "washed";
            warm_air: boolean;
            weather: components["schemas"]["Weather"];
            whole_blank: boolean;
        };
        InvitationOut: {
            address: string;
            minutes: number;
            picture: string;
        };
        ItemIn: {
            colour?: string | null;
            is_offcut?: boolean;
            keep_at_least?: number;
            key?: string;
            /** @enum {string} */
            kind: "blank" | "roll" | "sheets" | "paint" | "pins" | "tape" | "carrier" | "mask";
            length?: number | null;
            name: string;
            notes?: string;
            opened?: string | null;
            width?: number | null;
        };
        ItemNewIn: {
            colour?: string | null;
            is_offcut?: boolean;
            keep_at_least?: number;
            key?: string;
            /** @enum {string} */
            kind: "blank" | "roll" | "sheets" | "paint" | "pins" | "tape" | "carrier" | "mask";
            left: number;
            length?: number | null;
            name: string;
            notes?: string;
            opened?: string | null;
            width?: number | null;
        };
        JobClockOut: {
            closes: string | null;
            copy_no: number | null;
            drying: string | null;
            first: string;
            fits_until: string | null;
            job: number;
            job_name: string;
            late: string;
            opens: string | null;
            station: string;
            task: string;
            title: string;
            unfit: string;
        };
        JobIn: {
            aim?: ("price" | "sheets" | "seams") | null;
            base_at_touch?: boolean | null;
            blank?: components["schemas"]["Blank"] | null;
            border?: number | null;
            bridge_style?: ("shortest" | "upright" | "level" | "radial") | null;
            bridge_width?: number | null;
            bridges_per_piece?: number | null;
            coatings?: components["schemas"]["Coating"][] | null;
            copies?: number | null;
            cover_paper?: string | null;
            covered?: boolean | null;
            cut?: components["schemas"]["CutSettings"] | null;
            cutter?: string | null;
            dauber?: boolean | null;
            design_width?: number | null;
            due?: string | null;
            field_colour?: string | null;
            kept_masks?: number[] | null;
            load?: ("heavy" | "light") | null;
            mask_order?: string[] | null;
            masks?: ("one" | "each" | "lines") | null;
            material?: string | null;
            may_sell?: boolean | null;
            method?: string | null;
            name?: string | null;
            offcuts?: boolean | null;
            origin?: string | null;
            overlap?: number | null;
            peel_first?: ("keepers" | "sheet") | null;
            peel_when?: ("wet" | "set" | "touch-dry" | "at-once" | "dry" | "five-minutes") | null;
            press?: string | null;
            reverse?: boolean | null;
            seen_through?: boolean | null;
            stock?: number | null;
            surface?: string | null;
            together?: number[] | null;
            use?: ("open" | "sheltered" | "indoor" | "worn" | "touched" | "food-near") | null;
            wanted?: ("solid" | "worn" | "washed") | null;
            warm_air?: boolean | null;
            weather?: components["schemas"]["Weather"] | null;
            whole_blank?: boolean | null;
        };
        JobOut: {
            clocks: components["schemas"]["ClockOut"][];
            coatings: components["schemas"]["CoatingOut"][];
            copies: number;
            copy_no: number;
            elements: components["schemas"]["ElementOut"][];
            findings: components["schemas"]["FindingOut"][];
            held: string | null;
            history: components["schemas"]["HistoryOut"];
            id: number;
            in_force: components["schemas"]["InForceOut"];
            inputs: components["schemas"]["InputsOut"];
            label_first: string;
            mask: components["schemas"]["MaskRoomOut"] | null;
            method: string;
            next: components["schemas"]["NextOut"] | null;
            picture: components["schemas"]["PictureOut"];
            pieces: components["schemas"]["PieceOut"][];
            rail: components["schemas"]["RailOut"];
            record: components["schemas"]["RecordOut"];
            room: ("blank" | "artwork" | "mask" | "sheets" | "weed" | "tack" | "paint" | "peel" | "cure" | "record") | null;
            sheets: components["schemas"]["SheetsOut"] | null;
            stations: components["schemas"]["StationOut"][];
            version: number;
            weak: components["schemas"]["WeakOut"][] | null;
        };
        JobStoresOut: {
            can_keep: number[];
            masks: components["schemas"]["KeptMaskOut"][];
            offcuts: components["schemas"]["KeptOffcutOut"][];
            used_masks: number[];
            uses_offcuts: boolean;
            wants: components["schemas"]["WantOut"][];
        };
        KeepBlankIn: {
            name: string;
        };
        KeptMaskOut: {
            is_enough: boolean;
            item: number;
            mask: number;
            name: string;
            shown: string;
        };
        KeptOffcutOut: {
            is_kept: boolean;
            length: number;
            sheet: number;
            width: number;
        };
        KeyIn: {
            by?: string;
            key: string;
        };
        LaidOut: {
            doubtful: string[];
            instructions: string[];
            lies: [
                number,
                number
            ][];
            shift: [
                number,
                number
            ];
            should: [
                number,
                number
            ][];
            turn: number;
            within: boolean;
        };
        LaterLook: {
            edge?: number | null;
            fibres?: number | null;
            gone?: boolean;
            note?: string;
            on: string;
            paint?: number | null;
        };
        Layer: {
            name: string;
            /** @enum {string} */
            role: "mask" | "glue" | "carrier" | "backing" | "mat" | "blank";
        };
        LayerOut: {
            coats: number;
            colour: string | null;
            /** @enum {string} */
            kind: "blank" | "coating";
            name: string;
            number: number | null;
            spans: [
                number,
                number
            ][];
        };
        LayoutOfferOut: {
            code: string;
            consequence: string;
            label: string;
            parted: number;
            poor: number;
            seams: number;
            sheets: number;
        };
        LayoutsOut: {
            in_use: components["schemas"]["WeighedOut"];
            offers: components["schemas"]["LayoutOfferOut"][];
        };
        LearningOut: {
            can_undo: boolean;
            figures: components["schemas"]["LearntOut"][];
        };
        LearntIn: {
            key: string;
            left_out?: number[] | null;
            to_table?: boolean | null;
        };
        LearntOut: {
            about: string;
            high: number;
            is_held: boolean;
            is_to_table: boolean;
            key: string;
            low: number;
            said: string;
            table: number;
            unit: string;
            value: number;
            values: components["schemas"]["LearntValueOut"][];
        };
        LearntValueOut: {
            by: string;
            job: number;
            left_out: boolean;
            name: string;
            on: string;
            value: number;
        };
        Least: {
            at: [
                number,
                number
            ];
            limit: number;
            /** @enum {string} */
            measure: "stroke" | "web" | "part" | "letter";
            measured: number;
            width: number;
        };
        LedgerOut: {
            can_take_back: boolean;
            id: number;
            moves: components["schemas"]["MoveOut"][];
            name: string;
        };
        LessonOut: {
            about: string;
            table: number;
            unit: string;
            value: number;
        };
        LiftedIn: {
            lifted: boolean;
            numbers: number[];
            task: string;
        };
        Limit: {
            least: number;
            most: number;
            name: string;
            step: number;
            unit: string;
        };
        LineOut: {
            name: string;
            text: string;
        };
        LookIn: {
            design_width?: number | null;
            element?: number | null;
            entries?: components["schemas"]["ElementIn"] | null;
        };
        LookOut: {
            elements: components["schemas"]["ElementOut"][];
            findings: components["schemas"]["FindingOut"][];
            picture: components["schemas"]["DesignPictureOut"];
            rail: components["schemas"]["RailOut"];
            /** @enum {string} */
            state: "stop" | "warn" | "ready" | "done";
            verdict: string;
        };
        MarkIn: {
            at: [
                number,
                number
            ];
            task: string;
            /** @enum {string} */
            what: "bare" | "thin" | "missed" | "bleed" | "torn";
        };
        MarkKindOut: {
            /** @enum {string} */
            key: "bare" | "thin" | "missed" | "bleed" | "torn";
            name: string;
        };
        MarkOut: {
            at: [
                number,
                number
            ];
            marked: boolean;
            mended: boolean;
            number: number;
            text: string;
            what: string;
        };
        MarkPlaceOut: {
            at: [
                number,
                number
            ];
            number: number;
        };
        MarkedIn: {
            number: number;
            task: string;
        };
        MarkingOut: {
            kinds: components["schemas"]["MarkKindOut"][];
            marks: components["schemas"]["MarkOut"][];
            task: string;
            windows: components["schemas"]["MarkPlaceOut"][];
        };
        MaskOut: {
            box: [
                number,
                number,
                number,
                number
            ];
            bridged_area: number;
            bridges: components["schemas"]["BridgeOut"][];
            colour: string | null;
            covers: components["schemas"]["Strip"][];
            /** @enum {string} */
            datum: "edges" | "rim" | "seams" | "middle" | "collar";
            distances: components["schemas"]["DistancesOut"][];
            frame: string;
            is_reverse: boolean;
            marks: string[];
            name: string;
            number: number;
            painted_box: [
                number,
                number,
                number,
                number
            ];
            passes: components["schemas"]["PassOut"][];
            patches: components["schemas"]["PatchOut"][];
            pins: components["schemas"]["Pin"][];
            placing: number[];
            readings: components["schemas"]["ShouldReadOut"][];
        };
        MaskRoomOut: {
            advice: components["schemas"]["AdviceOut"];
            gone: number[];
            materials: components["schemas"]["MaterialOut"][];
            methods: components["schemas"]["MethodOut"][];
            reuse: components["schemas"]["ReuseOut"];
            touch_up_minutes: number;
        };
        MaterialCostOut: {
            costs: number[];
            key: string;
        };
        MaterialOut: {
            cost: number;
            excluded: string[];
            fits: boolean;
            key: string;
            minutes: number;
            name: string;
            sheets: number;
            small: number;
            uses: number;
            wash_every: number | null;
            weak: number;
        };
        MendIn: {
            mend: string;
        };
        MendOut: {
            key: string;
            label: string;
        };
        MendedIn: {
            mended: boolean;
            number: number;
            task: string;
        };
        MendingOut: {
            fix: string;
            history: components["schemas"]["HistoryOut"];
            id: number;
            mends: components["schemas"]["MendOut"][];
            name: string;
            version: number;
            what: string;
        };
        MethodChangeOut: {
            now: components["schemas"]["Consequence"];
            then: components["schemas"]["Consequence"];
        };
        MethodOut: {
            about: string;
            allowed: boolean;
            key: string;
            name: string;
            parts: components["schemas"]["Part"][];
            score: number;
            why: string[];
        };
        MixIn: {
            mix: components["schemas"]["MixPart"][];
            ml: number;
        };
        MixOut: {
            colour: string | null;
            each_ml: number[];
        };
        MixPart: {
            colour: string;
            name: string;
            parts?: number;
        };
        MoveCoatingIn: {
            /** @enum {integer} */
            by: -1 | 1;
            index: number;
        };
        MoveOut: {
            amount: number;
            at: string;
            by: string;
            job: number | null;
            job_name: string;
            left_shown: string;
            note: string;
            said: string;
            shown: string;
            /** @enum {string} */
            why: "begun" | "bought" | "used" | "returned" | "undone" | "counted" | "lost";
        };
        NearestOut: {
            end: [
                number,
                number
            ];
            gap: number;
            start: [
                number,
                number
            ];
            to: number;
        };
        NextOut: {
            /** @enum {string} */
            kind: "decide" | "do";
            station: string;
            task: components["schemas"]["TaskOut"] | null;
            verdict: string;
        };
        NumberOut: {
            a_copy: number;
            by_margin: number;
            copies: number;
        };
        Offcut: {
            across: number;
            along: number;
            beside: number;
            serves: number[];
        };
        OffcutIn: {
            length: number;
            sheet: number;
            width: number;
        };
        Offer: {
            paint: string | null;
            /** @enum {string} */
            role: "base" | "edge-seal" | "colour" | "over-colour" | "ground" | "seal" | "finish";
            why: string;
        };
        Onward: {
            /** @enum {string} */
            deed: "measured" | "size" | "width" | "fates" | "kit" | "files" | "help" | "go";
            fate: ("bridge" | "keep" | "leave-out" | "drop") | null;
            label: string;
            numbers: number[];
            prompt: string;
            station: string;
            times: number | null;
            width: number | null;
        };
        OwnCutterOut: {
            acceleration: number;
            fastest: number;
            /** @enum {string} */
            feeds: "mat" | "roll" | "hand";
            force: number;
            force_low: number;
            id: number;
            key: string;
            lift: number;
            name: string;
            reach_length: number;
            reach_width: number;
            slowest: number;
        };
        OwnPaintOut: {
            coats_high: number;
            coats_low: number;
            cover: number;
            /** @enum {string} */
            flow: "runny" | "usual" | "thick";
            handle: number;
            id: number;
            key: string;
            like: string;
            name: string;
            next_coat: number;
            notes: string;
            touch: number;
            use: number;
            wash: number | null;
        };
        OwnPressOut: {
            heat: number;
            id: number;
            key: string;
            name: string;
            overlap: number;
            plate_length: number;
            plate_width: number;
        };
        OwnStockOut: {
            id: number;
            material: string;
            name: string;
        };
        OwnSwatchOut: {
            coats: number;
            colour: string;
            has_photo: boolean;
            id: number;
            note: string;
            on: string;
            paint: string;
            paint_name: string;
            result: number;
            surface: string;
        };
        OwnTestCutOut: {
            /** @enum {string} */
            blade: "fresh" | "used" | "worn";
            cutter: string;
            cutter_name: string;
            found: components["schemas"]["CutSettings"] | null;
            id: number;
            material: string;
            material_name: string;
            name: string;
            notes: string;
            on: string;
            tries: components["schemas"]["Try"][];
        };
        PaintFitOut: {
            allowed: boolean;
            key: string;
            name: string;
            parts: components["schemas"]["Part"][];
            score: number;
            why: string[];
        };
        PaintIn: {
            coats_high?: number;
            coats_low?: number;
            cover: number;
            /** @enum {string} */
            flow?: "runny" | "usual" | "thick";
            handle: number;
            like: string;
            name: string;
            next_coat: number;
            notes?: string;
            touch: number;
            use: number;
            wash?: number | null;
        };
        PaintOut: {
            base_at_touch: boolean | null;
            choices: components["schemas"]["PaintFitOut"][];
            doubts: string[];
            groups: string;
            load: ("heavy" | "light") | null;
            offers: components["schemas"]["Offer"][];
            schools: components["schemas"]["SchoolOut"][];
            section: components["schemas"]["LayerOut"][];
            seen_through: boolean;
            spraying: components["schemas"]["SprayingOut"] | null;
            technique: components["schemas"]["TechniqueOut"][];
            /** @enum {string} */
            use: "open" | "sheltered" | "indoor" | "worn" | "touched" | "food-near";
            uses: components["schemas"]["ChoiceKeyOut"][];
            /** @enum {string} */
            wanted: "solid" | "worn" | "washed";
            warm_air: boolean | null;
        };
        Part: {
            points: number;
            why: string;
        };
        PartEdit: {
            colour?: string | null;
            dropped?: boolean;
            part: number;
        };
        PartOut: {
            at: [
                number,
                number
            ];
            colour: string;
            dropped: boolean;
            groups: string[];
            number: number;
            own_colour: string;
            too_fine: boolean;
        };
        PassOut: {
            celsius: number;
            name: string;
            placements: components["schemas"]["Placement"][];
            seconds: number;
        };
        PatchIn: {
            alone?: boolean;
            sheet?: number | null;
            turns?: boolean;
        };
        PatchOut: {
            box: [
                number,
                number,
                number,
                number
            ];
            number: number;
            sheet: number;
        };
        PeelOut: {
            late: string;
            masks: components["schemas"]["PeelWayOut"][];
        };
        PeelWayOut: {
            begins: [
                number,
                number
            ];
            ends: [
                number,
                number
            ];
            number: number;
            summary: string;
            weak: [
                number,
                number
            ][];
        };
        PeriodOut: {
            earned: number;
            hours: number;
            jobs: number;
            name: string;
            paint_ml: number;
            prints: number;
            spent: number;
            spoiled: number;
        };
        PictureOut: {
            aligned: boolean;
            base: string;
            base_colour: string;
            blank_colour: string;
            clear: components["schemas"]["ClearOut"][];
            collar: components["schemas"]["CollarOut"] | null;
            colours: components["schemas"]["ColourOut"][];
            field_colour: string | null;
            from_back: boolean;
            guides_x: components["schemas"]["Guide"][];
            guides_y: components["schemas"]["Guide"][];
            height: number;
            margin: string;
            mask_box: [
                number,
                number,
                number,
                number
            ];
            mask_colour: string;
            masks: components["schemas"]["MaskOut"][];
            outline: string;
            overhang: string;
            painted_box: [
                number,
                number,
                number,
                number
            ];
            rim: number;
            width: number;
        };
        PieceOut: {
            anchor: [
                number,
                number
            ];
            area: number;
            box: [
                number,
                number,
                number,
                number
            ];
            bridges: number;
            fate: ("bridge" | "keep" | "leave-out" | "drop") | null;
            is_here: boolean;
            is_kept: boolean;
            least: number;
            mask: number;
            nearest: components["schemas"]["NearestOut"] | null;
            number: number;
            path: string;
            where: string;
            width: number;
        };
        PiecesIn: {
            numbers?: number[] | null;
        };
        Pin: {
            at: [
                number,
                number
            ];
            /** @enum {string} */
            holds: "corner" | "edge" | "piece" | "tongue";
            lean: [
                number,
                number
            ];
            number: number;
            piece: number | null;
        };
        PlacedPatchOut: {
            alone: boolean;
            box: [
                number,
                number,
                number,
                number
            ];
            chosen_sheet: number | null;
            id: string;
            mask: number;
            number: number;
            path: string;
            turned: boolean;
            turns: boolean;
        };
        Placement: {
            box: [
                number,
                number,
                number,
                number
            ];
            number: number;
            under_rim: number[];
        };
        Poured: {
            name: string;
            paint: string;
            planned_ml: number;
            used_ml: number | null;
        };
        PressIn: {
            heat: number;
            name: string;
            overlap?: number;
            plate_length: number;
            plate_width: number;
        };
        PriceEntry: {
            asked?: number | null;
            blank_price?: number | null;
            bought_price?: number | null;
        };
        Problem: {
            code: string;
            detail: string;
            fix: string;
            instance: string;
            status: number;
            title: string;
            type: string;
        };
        RailOut: {
            edge: number;
            fixed: boolean;
            high: number;
            least: components["schemas"]["Least"][];
            low: number;
            margin: number;
            smallest: number;
            spots: components["schemas"]["FineSpot"][];
            steps: components["schemas"]["SheetStep"][];
            width: number;
        };
        Rates: {
            currency?: string;
            fixed_hour?: number | null;
            hour?: number | null;
            margin?: number | null;
            material_m2?: {
                [key: string]: number;
            };
            paint_litre?: {
                [key: string]: number;
            };
            spoiled?: number | null;
        };
        ReadOut: {
            at: string;
            instruction: string;
            what: string;
            within: boolean;
        };
        ReadingOut: {
            code: string;
            name: string;
            reads: string;
            should: string;
            /** @enum {string} */
            verdict: "go" | "unknown" | "wait" | "no";
        };
        ReadingsIn: {
            bottom?: number[];
            left?: number[];
            patch?: number | null;
            right?: number[];
            /** @enum {string} */
            to?: "mask" | "artwork";
            top?: number[];
            within?: number | null;
        };
        ReadyOut: {
            due: string;
            helps: components["schemas"]["Help"][];
            late_minutes: number;
            latest: string | null;
            meets: boolean;
            summary: string;
        };
        RecipeIn: {
            name: string;
            notes?: string | null;
        };
        RecipeOut: {
            can_undo: boolean;
            grade: number | null;
            id: number;
            lines: components["schemas"]["LineOut"][];
            made_for: string;
            material: string;
            name: string;
            notes: string;
            paints: string[];
            surface: string;
        };
        RecipesOut: {
            recipes: components["schemas"]["RecipeOut"][];
            total: number;
        };
        RecordIn: {
            grade?: number | null;
            looks?: {
                [key: string]: components["schemas"]["LaterLook"];
            };
            minutes?: {
                [key: string]: number;
            };
            notes?: string;
            troubles?: {
                [key: string]: number;
            };
            used_ml?: {
                [key: string]: number;
            };
        };
        RecordOut: {
            grade: number | null;
            looks: {
                [key: string]: components["schemas"]["LaterLook"];
            };
            minutes: {
                [key: string]: number;
            };
            notes: string;
            photos: string[];
            troubles: {
                [key: string]: number;
            };
            used_ml: {
                [key: string]: number;
            };
        };
        RehearsalIn: {
            seconds: number;
            slips: number;
        };
        RehearsalOut: {
            at: string;
            seconds: number;
            slips: number;
        };
        RemediesOut: {
            remedies: components["schemas"]["RemedyOut"][];
        };
        RemedyIn: {
            finding: string;
            remedy: string;
        };
        RemedyOut: {
            code: string;
            consequence: string;
            label: string;
        };
        Repeat: {
            across?: number;
            colours?: string[];
            down?: number;
            gap_across?: number;
            gap_down?: number;
            /** @enum {string} */
            kind: "row" | "grid" | "ring" | "scatter";
            radius?: number;
            seed?: number;
            turning?: boolean;
        };
        ReservedOut: {
            job: number;
            name: string;
            shown: string;
        };
        ReuseOut: {
            break_even: components["schemas"]["BreakEven"][];
            copies: number[];
            lines: components["schemas"]["MaterialCostOut"][];
        };
        Row: {
            /** @enum {string} */
            kind: "length" | "area" | "volume" | "minutes" | "temperature" | "count" | "text" | "moment";
            label: string;
            value: number | string;
            why: string;
        };
        SchoolOut: {
            allowed: boolean;
            name: string;
            usual: boolean;
            /** @enum {string} */
            when: "wet" | "set" | "touch-dry" | "at-once" | "dry" | "five-minutes";
            why: string;
        };
        SeamLaidOut: {
            instructions: string[];
            off: {
                [key: string]: number;
            };
            within: boolean;
        };
        SeamOut: {
            checks: components["schemas"]["CheckPairOut"][];
            end: [
                number,
                number
            ];
            mask: number;
            name: string;
            overlap: number;
            patches: [
                number,
                number
            ];
            start: [
                number,
                number
            ];
        };
        SeamReadingsIn: {
            readings: {
                [key: string]: number;
            };
        };
        SearchOut: {
            better: boolean;
            bound: number;
            broken_off: boolean;
            length: number;
            running: boolean;
            share: number;
            sheets: number;
        };
        SessionOut: {
            by: string;
            guarded: boolean;
            signed_in: boolean;
        };
        SheetOut: {
            cut_length: number;
            entries: [
                number,
                number
            ][];
            faults: string[];
            file: string;
            height: number;
            mask_parts: number;
            mirrored: boolean;
            number: number;
            patches: components["schemas"]["PlacedPatchOut"][];
            runs: number;
            seconds: number;
            travel: number;
            width: number;
            windows: number;
        };
        SheetStep: {
            sheets: number;
            width: number;
        };
        SheetsOut: {
            assembly: components["schemas"]["AssembledOut"][];
            by_hand: boolean;
            can_improve: boolean;
            contrast: string | null;
            count: number;
            facing: string;
            fewest: string;
            fewest_possible: number;
            formats: [
                string,
                string
            ][];
            is_fewest: boolean;
            reach: [
                number,
                number
            ];
            school: components["schemas"]["FacingSchoolOut"] | null;
            seams: components["schemas"]["SeamOut"][];
            sets: number;
            settings: components["schemas"]["CutSettings"];
            settings_why: string;
            sheets: components["schemas"]["SheetOut"][];
            stages: components["schemas"]["Stage"][];
            trims: components["schemas"]["TrimListOut"];
        };
        ShortOut: {
            is_kept: boolean;
            is_low: boolean;
            jobs: components["schemas"]["ReservedOut"][];
            /** @enum {string} */
            kind: "blank" | "roll" | "sheets" | "paint" | "pins" | "tape" | "carrier" | "mask" | "tool";
            missing: number;
            name: string;
            packs: string;
            shown: string;
        };
        ShouldReadOut: {
            bottom: number[];
            left: number[];
            patch: number | null;
            right: number[];
            /** @enum {string} */
            to: "mask" | "artwork";
            top: number[];
        };
        SignInIn: {
            by?: string;
            passphrase: string;
        };
        Spell: {
            begins: string;
            ends: string;
        };
        SpellOut: {
            name: string;
            planned: number;
            station: string;
            steps: number;
            taken: number;
            timed: number;
        };
        SprayingOut: {
            readings: components["schemas"]["ReadingOut"][];
            summary: string;
            /** @enum {string} */
            verdict: "go" | "unknown" | "wait" | "no";
        };
        Stage: {
            about: string;
            from_below: boolean;
            layers: components["schemas"]["Layer"][];
            mirrored: boolean;
            name: string;
            /** @enum {string} */
            tool: "knife" | "iron" | "hand" | "eye";
        };
        StationHeadOut: {
            brief: string;
            code: string;
            name: string;
            /** @enum {string} */
            state: "stop" | "warn" | "ready" | "done";
            verdict: string;
        };
        StationOut: {
            brief: string;
            code: string;
            earlier: string[];
            learnt: string[];
            name: string;
            onward: components["schemas"]["Onward"] | null;
            rows: components["schemas"]["Row"][];
            /** @enum {string} */
            state: "stop" | "warn" | "ready" | "done";
            tasks: components["schemas"]["TaskOut"][];
            tasks_all: number;
            tasks_done: number;
            verdict: string;
        };
        StepOut: {
            planned: number;
            taken: number | null;
            titles: string[];
            why: string;
        };
        StockKindOut: {
            /** @enum {string} */
            kind: "blank" | "roll" | "sheets" | "paint" | "pins" | "tape" | "carrier" | "mask";
            name: string;
            /** @enum {string} */
            unit: "pieces" | "mm" | "ml" | "uses";
        };
        StoredBlankOut: {
            height: number;
            id: number;
            name: string;
            surface: string;
            surface_name: string;
            width: number;
        };
        StoresOut: {
            items: components["schemas"]["HeldOut"][];
            kinds: components["schemas"]["StockKindOut"][];
            short: components["schemas"]["ShortOut"][];
            waiting: number;
        };
        Strip: {
            box: [
                number,
                number,
                number,
                number
            ];
            number: number;
        };
        SwatchIn: {
            coats?: number;
            colour?: string;
            note?: string;
            on: string;
            paint: string;
            result?: number;
            surface: string;
        };
        TaskHeatOut: {
            celsius: number;
            seconds: number;
            why: string;
        };
        TaskOut: {
            begun: string | null;
            call: components["schemas"]["CallOut"] | null;
            caution: string | null;
            changed: string[];
            closes: string | null;
            coating: number | null;
            /** @enum {string} */
            code: "blank-base-coat" | "blank-fit" | "blank-prepared" | "cure-dry" | "cure-finish" | "cure-fit" | "cure-hang" | "cure-heat-set" | "cure-use" | "cure-wash" | "mask-wash" | "paint-again" | "paint-brush-washed" | "paint-clean" | "paint-coat" | "paint-colours-apart" | "paint-look-over" | "paint-trial" | "peel-count" | "peel-lint" | "peel-pins" | "peel-rewarm" | "peel-sheet" | "peel-touched-up" | "record-written" | "sheets-check" | "sheets-cut" | "sheets-print" | "sheets-test-cut" | "tack-backing-off" | "tack-backing-off-hinged" | "tack-barrier" | "tack-board" | "tack-carrier-off" | "tack-cool" | "tack-cover" | "tack-guide-in" | "tack-guide-out" | "tack-hinge" | "tack-lay" | "tack-lay-groups" | "tack-pin-corners" | "tack-pins" | "tack-place" | "tack-press" | "tack-press-again" | "tack-press-down" | "tack-rest" | "tack-roll" | "tack-rub" | "tack-rub-down" | "tack-seam" | "tack-smooth" | "tack-spray" | "tack-tape-edges" | "tack-tape-off" | "tack-test-peel" | "tack-warm-air" | "tack-wipe" | "weed-backing-off" | "weed-burnish" | "weed-count" | "weed-field" | "weed-guide" | "weed-mat-off" | "weed-tape-groups" | "weed-tape-over" | "weed-trim-tape" | "weed-weaken-tape" | "weed-windows";
            copies: number;
            copies_done: number;
            copy_no: number | null;
            /** @enum {string} */
            counted: "copies" | "sets";
            detail: string;
            done_at: string | null;
            done_by: string;
            heat: components["schemas"]["TaskHeatOut"] | null;
            held_up: string;
            id: string;
            lines: string[];
            marking: components["schemas"]["MarkingOut"] | null;
            mask: number | null;
            minutes: number;
            needs: string[];
            /** @enum {string} */
            occupies: "hands" | "cutter" | "plate" | "rack" | "outdoors";
            opens: string | null;
            read: components["schemas"]["ReadOut"] | null;
            reason: string;
            seams: components["schemas"]["TaskSeamOut"][];
            sheet: number | null;
            shows: ("distances" | "keepers" | "seams" | "rests" | "corner-pins" | "pins" | "cover")[];
            /** @enum {string} */
            state: "open" | "waiting" | "ready" | "done" | "outdated";
            station: string;
            title: string;
            traits: components["schemas"]["Trait"][];
        };
        TaskPairOut: {
            distance: number;
            name: string;
        };
        TaskSeamOut: {
            name: string;
            pairs: components["schemas"]["TaskPairOut"][];
            patches: [
                number,
                number
            ];
        };
        TechniqueOut: {
            name: string;
            number: number;
            tips: components["schemas"]["Tip"][];
        };
        Term: {
            forms: string[];
            meaning: string;
            word: string;
        };
        TestCutIn: {
            /** @enum {string} */
            blade: "fresh" | "used" | "worn";
            cutter: string;
            material: string;
            name: string;
            notes?: string;
            on: string;
            tries?: components["schemas"]["Try"][];
        };
        Tip: {
            text: string;
            title: string;
        };
        ToolsIn: {
            cutter?: string | null;
            owned: string[];
            press?: string | null;
        };
        TraceIn: {
            corners?: [
                [
                    number,
                    number
                ],
                [
                    number,
                    number
                ],
                [
                    number,
                    number
                ],
                [
                    number,
                    number
                ]
            ] | null;
            despeckle?: number;
            evened?: boolean;
            /** @enum {string} */
            ink?: "area" | "line";
            inverted?: boolean;
            pen?: number | null;
            smooth?: number;
            threshold?: number | null;
        };
        TraceOut: {
            corners: [
                [
                    number,
                    number
                ],
                [
                    number,
                    number
                ],
                [
                    number,
                    number
                ],
                [
                    number,
                    number
                ]
            ] | null;
            despeckle: number;
            evened: boolean;
            found_threshold: number;
            /** @enum {string} */
            ink: "area" | "line";
            inverted: boolean;
            pen: number | null;
            points: number;
            sheet: [
                number,
                number
            ][] | null;
            smooth: number;
            threshold: number | null;
        };
        /** @enum {string} */
        Trait: "per-set" | "first-stroke" | "on-the-axis" | "tries-the-cut" | "cuts" | "carries" | "while-drying" | "bares" | "lays" | "presses" | "presses-again" | "sets-pins" | "in-one-go" | "opens-the-peel" | "lifts-keepers" | "takes-mask-off" | "pins-back" | "washes-mask" | "tells-waits" | "in-use" | "may-be-washed" | "closes-the-job";
        Trim: {
            across: number;
            along: number;
            beside: number | null;
            runs: number;
            sheet: number;
            x: number;
            y: number;
        };
        TrimListOut: {
            is_roll: boolean;
            length: number;
            offcuts: components["schemas"]["Offcut"][];
            pieces: number;
            stock: string;
            too_wide: number[];
            trims: components["schemas"]["Trim"][];
            waste: number;
            width: number;
        };
        Try: {
            /** @enum {string} */
            answer: "not-through" | "clean" | "into-backing" | "tears";
            settings: components["schemas"]["CutSettings"];
        };
        UsedIn: {
            celsius: number;
            seconds: number;
            task: string;
        };
        WaitOut: {
            going: boolean;
            seconds: number;
            share: number;
            what: string;
        };
        WantOut: {
            /** @enum {string} */
            kind: "blank" | "roll" | "sheets" | "paint" | "pins" | "tape" | "carrier" | "mask" | "tool";
            name: string;
            short: string;
            shown: string;
            station: string;
            taken_from: string[];
        };
        WeakOut: {
            at: [
                number,
                number
            ];
            key: string;
            /** @enum {string} */
            kind: "neck" | "tongue";
            length: number;
            limit: number;
            listed: boolean;
            mask: number;
            message: string;
            path: [
                number,
                number
            ][];
            /** @enum {string} */
            severity: "stop" | "warn" | "note";
            tip: [
                number,
                number
            ] | null;
            toward: [
                number,
                number
            ] | null;
            width: number;
        };
        Weather: {
            humidity?: number;
            looked?: boolean;
            rain?: boolean;
            temperature?: number;
            wind?: number;
        };
        WeedOut: {
            help: components["schemas"]["HelpCard"][];
            rehearsals: components["schemas"]["RehearsalOut"][];
            sheets: components["schemas"]["WeedSheetOut"][];
            where: string;
        };
        WeedRegionOut: {
            blank_at: [
                number,
                number
            ];
            blank_path: string;
            goes: boolean;
            id: string;
            is_guide: boolean;
            /** @enum {string} */
            kind: "window" | "field" | "keeper" | "frame";
            mask: number;
            name: string;
            number: number | null;
            patch: number;
            pulled: string;
            sheet_at: [
                number,
                number
            ];
            sheet_path: string;
            sheet_start: [
                number,
                number
            ] | null;
            sheet_weak: [
                number,
                number
            ][];
        };
        WeedSheetOut: {
            height: number;
            mirrored: boolean;
            number: number;
            regions: components["schemas"]["WeedRegionOut"][];
            width: number;
            windows: number;
        };
        WeighedOut: {
            parted: number;
            poor: number;
            seams: number;
            sheets: number;
        };
        WordsIn: {
            face?: string | null;
            text: string;
        };
        WordsOut: {
            /** @enum {string} */
            align: "left" | "centre" | "right";
            arc: number | null;
            cap_height: number;
            capitals: boolean;
            face: string;
            letter_colours: [
                number,
                string
            ][];
            letter_gap: number;
            line_gap: number;
            missing: string[];
            size: number;
            /** @enum {string} */
            sized_by: "cap" | "width";
            text: string;
            usual_arc: number;
        };
        WorkOut: {
            clocks: components["schemas"]["ClockOut"][];
            copies: number;
            copy_no: number;
            held: string | null;
            history: components["schemas"]["HistoryOut"];
            id: number;
            next: components["schemas"]["NextOut"] | null;
            stations: components["schemas"]["StationOut"][];
            version: number;
        };
        WorkshopOut: {
            classes: components["schemas"]["Cutter"][];
            cutter: string | null;
            cutters: components["schemas"]["OwnCutterOut"][];
            owned: string[] | null;
            paints: components["schemas"]["OwnPaintOut"][];
            press: string | null;
            presses: components["schemas"]["OwnPressOut"][];
            stock: components["schemas"]["OwnStockOut"][];
            swatches: components["schemas"]["OwnSwatchOut"][];
            test_cuts: components["schemas"]["OwnTestCutOut"][];
        };
        YearOut: {
            currency: string;
            kinds: components["schemas"]["PeriodOut"][];
            months: components["schemas"]["PeriodOut"][];
            total: components["schemas"]["PeriodOut"];
            year: number;
            years: number[];
        };
    };
}
export type $defs = Record<string, never>;
export type operations = Record<string, never>;
