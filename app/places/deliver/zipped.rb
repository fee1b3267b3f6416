require "zip"

module Places
  module Deliver
    # Several files in one.
    module Zipped
      module_function

      # @param files [Array<[String, String]>] name and bytes
      # @return [String]
      def of(files)
        taken = []
        Zip::OutputStream.write_buffer do |zip|
          files.each do |name, bytes|
            zip.put_next_entry(unused(name, taken))
            zip.write(bytes)
          end
        end.string
      end

      # Palettes may have one name; files may not.
      def unused(name, taken)
        stem, ending = name.split(".", 2)
        "#{Magpie::ColorName.unused(stem, taken).tr(" ", "-")}.#{ending}".tap { |free| taken << free.split(".", 2).first }
      end
    end
  end
end
