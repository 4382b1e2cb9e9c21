"""The rules of the job: numpy and shapely in, frozen dataclasses out."""
