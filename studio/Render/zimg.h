/* The part of libzimg's interface (version 2.4) that frames are made with, as PHP's FFI reads it. */
typedef struct zimg_filter_graph zimg_filter_graph;
typedef struct {
    unsigned version;
    struct { const void *data; ptrdiff_t stride; unsigned mask; } plane[4];
} zimg_image_buffer_const;
typedef struct {
    unsigned version;
    struct { void *data; ptrdiff_t stride; unsigned mask; } plane[4];
} zimg_image_buffer;
typedef struct {
    unsigned version;
    unsigned width;
    unsigned height;
    int pixel_type;
    unsigned subsample_w;
    unsigned subsample_h;
    int color_family;
    int matrix_coefficients;
    int transfer_characteristics;
    int color_primaries;
    unsigned depth;
    int pixel_range;
    int field_parity;
    int chroma_location;
    struct { double left; double top; double width; double height; } active_region;
    int alpha;
} zimg_image_format;
typedef struct {
    unsigned version;
    int resample_filter;
    double filter_param_a;
    double filter_param_b;
    int resample_filter_uv;
    double filter_param_a_uv;
    double filter_param_b_uv;
    int dither_type;
    int cpu_type;
    double nominal_peak_luminance;
    char allow_approximate_gamma;
} zimg_graph_builder_params;
void zimg_image_format_default(zimg_image_format *ptr, unsigned version);
void zimg_graph_builder_params_default(zimg_graph_builder_params *ptr, unsigned version);
zimg_filter_graph *zimg_filter_graph_build(const zimg_image_format *src_format, const zimg_image_format *dst_format, const zimg_graph_builder_params *params);
int zimg_filter_graph_get_tmp_size(const zimg_filter_graph *ptr, size_t *out);
int zimg_filter_graph_process(const zimg_filter_graph *ptr, const zimg_image_buffer_const *src, const zimg_image_buffer *dst, void *tmp, void *unpack_cb, void *unpack_user, void *pack_cb, void *pack_user);
void zimg_filter_graph_free(zimg_filter_graph *ptr);
